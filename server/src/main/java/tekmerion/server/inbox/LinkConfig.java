package tekmerion.server.inbox;

import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.web.socket.config.annotation.EnableWebSocket;
import org.springframework.web.socket.config.annotation.WebSocketConfigurer;
import org.springframework.web.socket.config.annotation.WebSocketHandlerRegistry;
import org.springframework.web.socket.server.standard.ServletServerContainerFactoryBean;
import tekmerion.link.BenchLink;

/** The socket's address and limits. */
@Configuration
@EnableWebSocket
public class LinkConfig implements WebSocketConfigurer {
  private static final long SILENT_TOO_LONG_MS = 45_000;
  private final LinkSocket socket;
  private final TokenCheck tokenCheck;

  LinkConfig(LinkSocket socket, TokenCheck tokenCheck) {
    this.socket = socket;
    this.tokenCheck = tokenCheck;
  }

  @Override
  public void registerWebSocketHandlers(WebSocketHandlerRegistry registry) {
    registry.addHandler(socket, BenchLink.SOCKET_PATH).addInterceptors(tokenCheck);
  }

  /** Probes ping every 10 s, so a silent one is gone. */
  @Bean
  ServletServerContainerFactoryBean limits() {
    ServletServerContainerFactoryBean limits = new ServletServerContainerFactoryBean();
    limits.setMaxTextMessageBufferSize(BenchLink.MAX_MESSAGE_CHARS);
    limits.setMaxSessionIdleTimeout(SILENT_TOO_LONG_MS);
    return limits;
  }
}
