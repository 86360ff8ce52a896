package tekmerion.probe.linux;

import static tekmerion.words.Words.say;

import com.sun.jna.LastErrorException;
import com.sun.jna.Memory;
import tekmerion.core.page.RawPage;
import tekmerion.core.port.PageAnswer;

/**
 * One NVMe admin command through the kernel's ioctl (linux/nvme_ioctl.h, struct nvme_admin_cmd, 72
 * bytes): 0 opcode, 4 nsid, 24 data, 36 data length, 40 to 60 CDW10 to CDW15, 64 timeout [ms].
 */
final class NvmeAdmin {
  private static final long ADMIN_CMD = 0xC0484E41L;
  private static final int COMMAND_BYTES = 72;
  private static final int TIMEOUT_MS = 20_000;
  private static final int GET_LOG_PAGE = 0x02;
  private static final int IDENTIFY = 0x06;
  private static final int SELF_TEST = 0x14;
  private static final int ALL_NAMESPACES = 0xFFFF_FFFF;

  private final String device;

  private NvmeAdmin(String device) {
    this.device = device;
  }

  /** Admin commands go to the controller: nvme0n1 belongs to nvme0. */
  static NvmeAdmin of(SysDrive drive) {
    return new NvmeAdmin(drive.device().toString().replaceFirst("n\\d+$", ""));
  }

  PageAnswer identify(int cns, int namespace) {
    return command(IDENTIFY, namespace, cns, 4_096);
  }

  PageAnswer log(int page, int bytes) {
    return command(GET_LOG_PAGE, ALL_NAMESPACES, page | (bytes / 4 - 1) << 16, bytes);
  }

  /**
   * @param code 1 short, 2 extended, Fh abort
   */
  PageAnswer selfTest(int code) {
    return command(SELF_TEST, ALL_NAMESPACES, code, 0);
  }

  private PageAnswer command(int opcode, int namespace, int cdw10, int bytes) {
    try (Memory command = new Memory(COMMAND_BYTES);
        Memory data = new Memory(Math.max(512, bytes))) {
      command.clear();
      data.clear();
      command.setByte(0, (byte) opcode);
      command.setInt(4, namespace);
      if (bytes > 0) {
        command.setPointer(24, data);
        command.setInt(36, bytes);
      }
      command.setInt(40, cdw10);
      command.setInt(64, TIMEOUT_MS);
      int status = NativeCalls.call(device, ADMIN_CMD, command);
      if (status != 0) {
        return new PageAnswer.NotReported(
            say("probe.the-drive-refuses-the-command", "status", "%04Xh".formatted(status)));
      }
      return new PageAnswer.Got(new RawPage(data.getByteArray(0, bytes)));
    } catch (LastErrorException e) {
      return new PageAnswer.CouldNotRun(say("probe.admin-command", "why", e.getMessage()));
    }
  }
}
