package tekmerion.server.stock;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.Valid;
import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Pattern;
import jakarta.validation.constraints.Size;
import org.springframework.http.HttpStatus;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import tekmerion.server.person.Person;
import tekmerion.server.stock.StockView.ModelLives;
import tekmerion.server.stock.StockView.StockItem;

/** Models and stock. */
@RestController
@RequestMapping("/api/stock")
class StockController {
  private final Stock stock;

  /**
   * @param kind drive, module, battery or other
   * @param bus of a drive
   * @param bytes of a drive or module
   */
  record StockAdded(
      @NotNull @Pattern(regexp = "drive|module|battery|other") String kind,
      @NotBlank @Size(max = 200) String model,
      @Schema(nullable = true) @Pattern(regexp = "SATA|NVMe|DDR[345]") String bus,
      @Schema(nullable = true) @Size(max = 40) String form,
      @Schema(nullable = true) @Min(1) Long bytes,
      @NotNull @Size(max = 60) String place,
      @Min(0) @Max(10_000) int pieces) {}

  record StockMoved(@Min(-10_000) @Max(10_000) int pieces, @NotNull @Size(max = 200) String note) {}

  StockController(Stock stock) {
    this.stock = stock;
  }

  @GetMapping
  StockView view(@RequestParam(defaultValue = "") @Size(max = 80) String text) {
    return stock.view(text);
  }

  @GetMapping("/model")
  ModelLives model(@RequestParam @Size(max = 80) String model) {
    return stock.lives(model);
  }

  @PostMapping("/items")
  @ResponseStatus(HttpStatus.CREATED)
  void add(@Valid @RequestBody StockAdded a, @AuthenticationPrincipal Person person) {
    stock.add(
        new StockItem(0, a.kind(), a.model(), a.bus(), a.form(), a.bytes(), a.place(), a.pieces()),
        person);
  }

  @PostMapping("/items/{id}/moves")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void move(
      @PathVariable long id,
      @Valid @RequestBody StockMoved moved,
      @AuthenticationPrincipal Person person) {
    stock.move(id, moved.pieces(), moved.note(), person);
  }
}
