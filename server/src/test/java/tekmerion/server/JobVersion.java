package tekmerion.server;

import static org.assertj.core.api.Assertions.assertThat;

import tekmerion.launch.ShopClient;

/** What a change of a job must name. Asked of the case alone: nothing is weighed for it. */
final class JobVersion {
  private JobVersion() {}

  /**
   * @param path of the job in the API
   */
  static long of(ShopClient who, String path) {
    ShopClient.Answer answer = who.get(path + "/aspects?of=CASE");
    assertThat(answer.status()).isEqualTo(200);
    return answer.body().at("/jobCase/version").longValue();
  }
}
