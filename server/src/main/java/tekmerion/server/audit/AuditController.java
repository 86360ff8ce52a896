package tekmerion.server.audit;

import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import java.util.List;
import org.springframework.validation.annotation.Validated;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** The audit log, for leads. */
@RestController
@Validated
class AuditController {
  private final Audit audit;

  AuditController(Audit audit) {
    this.audit = audit;
  }

  /** Newest first. */
  @GetMapping("/api/audit")
  List<Audit.Entry> newest(@RequestParam(defaultValue = "200") @Min(1) @Max(2_000) int most) {
    return audit.newest(most);
  }
}
