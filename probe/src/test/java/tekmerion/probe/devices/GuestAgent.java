package tekmerion.probe.devices;

import java.io.BufferedReader;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.InputStreamReader;
import java.io.PrintStream;
import java.io.RandomAccessFile;
import java.nio.channels.Channels;
import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import tekmerion.probe.Tekmerion;
import tekmerion.probe.link.GuestRuns;
import tools.jackson.databind.json.JsonMapper;

/**
 * Runs within the guest and does what the test asks over a channel, a JSON object a line: {@code
 * {"words": ["tekmerion", "surface", "/dev/sda"]}}, answered by {@code {"exit", "out", "err"}}. The
 * first word is {@code tekmerion} for an instrument, {@code run} for a run of the bench link (see
 * {@link GuestRuns}), or {@code sh} for the shell.
 */
public final class GuestAgent {
  private static final JsonMapper JSON = JsonMapper.builder().build();

  private GuestAgent() {}

  public static void main(String[] args) throws IOException {
    Locale.setDefault(Locale.ENGLISH);
    PrintStream console = System.out;
    try (RandomAccessFile channel = new RandomAccessFile(args[0], "rw")) {
      BufferedReader in =
          new BufferedReader(
              new InputStreamReader(
                  Channels.newInputStream(channel.getChannel()), StandardCharsets.UTF_8));
      channel.write("{\"ready\":true}\n".getBytes(StandardCharsets.UTF_8));
      for (String line = in.readLine(); line != null; line = in.readLine()) {
        String[] words = JSON.treeToValue(JSON.readTree(line).get("words"), String[].class);
        String answer = JSON.writeValueAsString(answer(words));
        System.setOut(console);
        channel.write((answer + "\n").getBytes(StandardCharsets.UTF_8));
      }
    }
  }

  private static Map<String, Object> answer(String[] words) {
    ByteArrayOutputStream out = new ByteArrayOutputStream();
    ByteArrayOutputStream err = new ByteArrayOutputStream();
    PrintStream errBefore = System.err;
    System.setOut(new PrintStream(out, true, StandardCharsets.UTF_8));
    System.setErr(new PrintStream(err, true, StandardCharsets.UTF_8));
    int exit;
    try {
      List<String> rest = Arrays.asList(words).subList(1, words.length);
      exit =
          switch (words[0]) {
            case "tekmerion" -> Tekmerion.commandLine().execute(rest.toArray(String[]::new));
            case "run" -> GuestRuns.run(rest);
            default -> shell(rest.get(0));
          };
    } catch (Exception | LinkageError e) {
      e.printStackTrace();
      exit = -1;
    } finally {
      System.setErr(errBefore);
    }
    Map<String, Object> answer = new LinkedHashMap<>();
    answer.put("exit", exit);
    answer.put("out", out.toString(StandardCharsets.UTF_8));
    answer.put("err", err.toString(StandardCharsets.UTF_8));
    return answer;
  }

  private static int shell(String command) throws IOException, InterruptedException {
    Process process =
        new ProcessBuilder("/bin/sh", "-c", command).redirectErrorStream(true).start();
    System.out.print(new String(process.getInputStream().readAllBytes(), StandardCharsets.UTF_8));
    return process.waitFor();
  }
}
