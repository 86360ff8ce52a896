package tekmerion.server.account;

import jakarta.servlet.DispatcherType;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.time.Clock;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.boot.session.autoconfigure.DefaultCookieSerializerCustomizer;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.http.HttpStatus;
import org.springframework.security.access.AccessDeniedException;
import org.springframework.security.config.Customizer;
import org.springframework.security.config.annotation.web.builders.HttpSecurity;
import org.springframework.security.config.annotation.web.configuration.EnableWebSecurity;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.security.core.userdetails.UserDetailsService;
import org.springframework.security.core.userdetails.UsernameNotFoundException;
import org.springframework.security.crypto.bcrypt.BCryptPasswordEncoder;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.security.web.SecurityFilterChain;
import org.springframework.security.web.context.HttpSessionSecurityContextRepository;
import org.springframework.security.web.context.SecurityContextHolderFilter;
import org.springframework.security.web.context.SecurityContextRepository;
import org.springframework.security.web.csrf.CsrfException;
import org.springframework.security.web.header.writers.ReferrerPolicyHeaderWriter.ReferrerPolicy;
import tekmerion.link.BenchLink;
import tekmerion.server.problem.ProblemWriter;
import tekmerion.server.web.Pages;

/** Who may do what. Closed by default: what is not named here needs a signed-in person. */
@Configuration
@EnableWebSecurity
class SecurityConfig {
  private static final Logger LOG = LoggerFactory.getLogger(SecurityConfig.class);
  private static final int BCRYPT_STRENGTH = 12;

  /** Everything but the page itself, which sets its own with a nonce. */
  private static final String NOTHING_ALLOWED = "default-src 'none'; frame-ancestors 'none'";

  @Bean
  SecurityFilterChain chain(
      HttpSecurity http,
      SecurityContextRepository contexts,
      Access access,
      ProblemWriter problems,
      Clock clock) {
    http.addFilterAfter(new SessionAge(clock), SecurityContextHolderFilter.class);
    http.authorizeHttpRequests(
            requests ->
                requests
                    // The end of a stream; whoever opened it was let in when it began.
                    .dispatcherTypeMatchers(DispatcherType.ASYNC)
                    .permitAll()
                    .requestMatchers(
                        "/api/session",
                        "/api/session/pin",
                        "/api/authority",
                        "/api/invitations/accept",
                        BenchLink.ENROLMENT_PATH,
                        BenchLink.KNOCK_PATH,
                        BenchLink.KNOCK_PATH + "/*")
                    .permitAll()
                    // The socket checks the probe's token itself, in its handshake.
                    .requestMatchers(BenchLink.SOCKET_PATH)
                    .permitAll()
                    .requestMatchers("/api/**")
                    .access(access)
                    .requestMatchers("/v3/api-docs/**")
                    .authenticated()
                    // The page and its files hold nothing of the shop's.
                    .requestMatchers("/assets/**", "/favicon.svg")
                    .permitAll()
                    .requestMatchers(Pages.ADDRESSES.toArray(String[]::new))
                    .permitAll()
                    .anyRequest()
                    .denyAll())
        .csrf(
            csrf ->
                csrf.spa()
                    .ignoringRequestMatchers(
                        BenchLink.ENROLMENT_PATH,
                        BenchLink.KNOCK_PATH,
                        BenchLink.KNOCK_PATH + "/*",
                        BenchLink.SOCKET_PATH))
        .securityContext(context -> context.securityContextRepository(contexts))
        .headers(
            headers ->
                headers
                    .contentSecurityPolicy(csp -> csp.policyDirectives(NOTHING_ALLOWED))
                    .referrerPolicy(referrer -> referrer.policy(ReferrerPolicy.NO_REFERRER))
                    .frameOptions(frame -> frame.deny()))
        .formLogin(form -> form.disable())
        .httpBasic(basic -> basic.disable())
        .logout(logout -> logout.disable())
        .requestCache(cache -> cache.disable())
        .anonymous(Customizer.withDefaults())
        .exceptionHandling(
            handling ->
                handling
                    .authenticationEntryPoint(
                        (request, response, e) ->
                            problems.write(
                                response,
                                HttpStatus.UNAUTHORIZED,
                                "You are not signed in, or your session has ended.",
                                "Sign in again; you come back to where you were."))
                    .accessDeniedHandler(
                        (request, response, e) -> denied(request, response, e, problems)));
    return http.build();
  }

  private static void denied(
      HttpServletRequest request,
      HttpServletResponse response,
      AccessDeniedException why,
      ProblemWriter problems)
      throws IOException {
    if (why instanceof CsrfException) {
      problems.write(
          response,
          HttpStatus.FORBIDDEN,
          "The request was not accepted: its protection token is missing or old.",
          "Load the page again and repeat it.");
      return;
    }
    LOG.info(
        "refused to {}: {} {}",
        SecurityContextHolder.getContext().getAuthentication().getName(),
        request.getMethod(),
        request
            .getRequestURI()); // still encoded as it came: no line of its own can be made with it
    String may =
        Access.who(request.getMethod(), request.getRequestURI())
            .map(Access.Who::words)
            .orElse("nobody");
    problems.write(
        response,
        HttpStatus.FORBIDDEN,
        "Your role does not allow this: %s may do it.".formatted(may),
        "Ask a lead to do it.");
  }

  @Bean
  SecurityContextRepository contexts() {
    return new HttpSessionSecurityContextRepository();
  }

  /** Where TLS is spoken the name itself binds the cookie to this host (RFC 6265bis, 4.1.3.2). */
  @Bean
  DefaultCookieSerializerCustomizer boundToTheHost(
      @Value("${server.servlet.session.cookie.secure}") boolean secure) {
    return cookie -> {
      cookie.setCookiePath("/");
      if (secure) {
        cookie.setCookieName("__Host-tekmerion");
      }
    };
  }

  @Bean
  PasswordEncoder encoder() {
    return new BCryptPasswordEncoder(BCRYPT_STRENGTH);
  }

  /** Without it Boot would invent a user and print its password. Nobody signs in this way. */
  @Bean
  UserDetailsService nobody() {
    return name -> {
      throw new UsernameNotFoundException(name);
    };
  }
}
