package tekmerion.probe.instrument;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.concurrent.Callable;
import picocli.CommandLine.Command;
import tekmerion.probe.linux.LocalDrives;
import tekmerion.probe.linux.SysDrive;
import tools.jackson.databind.SerializationFeature;
import tools.jackson.databind.json.JsonMapper;

/** The drives of this computer, without asking them anything. */
@Command(
    name = "list",
    description = "List the drives of this computer as JSON. Asks the drives nothing.",
    mixinStandardHelpOptions = true)
public final class ListCommand implements Callable<Integer> {
  @Override
  public Integer call() {
    List<Map<String, Object>> drives = new ArrayList<>();
    for (SysDrive drive : LocalDrives.list()) {
      Map<String, Object> json = new LinkedHashMap<>();
      json.put("device", drive.device().toString());
      json.put("bus", drive.bus().words());
      json.put("model", drive.model().isEmpty() ? null : drive.model());
      json.put("serial", drive.serial().isEmpty() ? null : drive.serial());
      json.put("wwn", drive.wwn().isEmpty() ? null : drive.wwn());
      json.put("sizeBytes", drive.sizeBytes());
      json.put("rotational", drive.rotational());
      json.put("mounted", drive.mounted());
      json.put("systemDrive", drive.systemDrive());
      drives.add(json);
    }
    System.out.println(
        JsonMapper.builder()
            .build()
            .writer()
            .with(SerializationFeature.INDENT_OUTPUT)
            .writeValueAsString(Map.of("drives", drives)));
    return 0;
  }
}
