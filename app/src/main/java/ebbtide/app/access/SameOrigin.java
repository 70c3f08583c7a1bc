package ebbtide.app.access;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.net.InetAddress;
import java.net.NetworkInterface;
import java.net.URI;
import java.util.Arrays;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.http.HttpHeaders;
import org.springframework.security.config.annotation.web.builders.HttpSecurity;
import org.springframework.security.config.http.SessionCreationPolicy;
import org.springframework.security.core.Authentication;
import org.springframework.security.oauth2.client.OAuth2AuthorizedClient;
import org.springframework.security.oauth2.client.web.OAuth2AuthorizedClientRepository;
import org.springframework.security.web.SecurityFilterChain;
import org.springframework.security.web.csrf.CsrfFilter;
import org.springframework.security.web.header.writers.ReferrerPolicyHeaderWriter.ReferrerPolicy;
import org.springframework.web.filter.OncePerRequestFilter;

/**
 * The guard of the server: only pages it served itself may change anything (a token that other origins cannot read, and
 * what the browser says of where a request comes from), and only under the names it is reached by, so that a foreign
 * name pointed at this machine gets nothing.
 */
@Configuration
class SameOrigin {
    private static final String POLICY = "default-src 'self'; style-src 'self' 'unsafe-inline'; img-src 'self' data:; "
            + "frame-ancestors 'none'; base-uri 'self'; form-action 'self'";
    private static final Set<String> READING = Set.of("GET", "HEAD", "OPTIONS");

    @Bean
    SecurityFilterChain chain(
            HttpSecurity http,
            @Value("${ebbtide.host:127.0.0.1}") String host,
            @Value("${ebbtide.names:}") List<String> names,
            Provider provider,
            ProviderDoor door)
            throws Exception {
        if (provider.isThere()) {
            http.oauth2Login(login -> login.clientRegistrationRepository(provider)
                    .authorizedClientRepository(new NothingKept())
                    .loginPage("/")
                    .authorizationEndpoint(to -> to.authorizationRequestRepository(door))
                    .redirectionEndpoint(back -> back.baseUri(Provider.BACK))
                    .successHandler(door::cameBack)
                    .failureHandler(door::notNamed));
        }
        return http.csrf(csrf -> csrf.spa().csrfTokenRepository(new BoundTokens()))
                .sessionManagement(session -> session.sessionCreationPolicy(SessionCreationPolicy.STATELESS))
                .authorizeHttpRequests(requests -> requests.anyRequest().permitAll())
                .headers(headers -> headers.contentSecurityPolicy(policy -> policy.policyDirectives(POLICY))
                        .referrerPolicy(referrer -> referrer.policy(ReferrerPolicy.NO_REFERRER)))
                .addFilterBefore(new KnownHost(known(host, names)), CsrfFilter.class)
                .addFilterBefore(new OwnPages(), CsrfFilter.class)
                .build();
    }

    /** What a provider would let the program do in somebody's name: it does nothing, so nothing of it is kept. */
    private static final class NothingKept implements OAuth2AuthorizedClientRepository {
        @Override
        @SuppressWarnings("TypeParameterUnusedInFormals")
        public <T extends OAuth2AuthorizedClient> @Nullable T loadAuthorizedClient(
                String id, Authentication who, HttpServletRequest request) {
            return null;
        }

        @Override
        public void saveAuthorizedClient(
                OAuth2AuthorizedClient client,
                Authentication who,
                HttpServletRequest request,
                HttpServletResponse response) {
            // Nothing is done with it.
        }

        @Override
        public void removeAuthorizedClient(
                String id, Authentication who, HttpServletRequest request, HttpServletResponse response) {
            // There is none.
        }
    }

    /** The names of this machine where it listens on all its addresses, else the one it listens on; and those said. */
    private static Set<String> known(String host, List<String> names) throws IOException {
        Set<String> known = new HashSet<>(List.of("127.0.0.1", "localhost", "[::1]"));
        known.add(lower(host));
        names.forEach(name -> known.add(lower(name.strip())));
        if (host.equals("0.0.0.0") || host.equals("::")) {
            InetAddress own = InetAddress.getLocalHost();
            known.add(lower(own.getHostName()));
            known.add(lower(own.getCanonicalHostName()));
            NetworkInterface.networkInterfaces()
                    .flatMap(NetworkInterface::inetAddresses)
                    .map(InetAddress::getHostAddress)
                    .map(address -> address.split("%")[0])
                    .forEach(address -> known.add(address.contains(":") ? "[" + address + "]" : address));
        }
        return Set.copyOf(known);
    }

    private static String lower(String name) {
        return name.toLowerCase(Locale.ROOT);
    }

    private static final class KnownHost extends OncePerRequestFilter {
        private final Set<String> known;

        KnownHost(Set<String> known) {
            this.known = known;
        }

        @Override
        protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
                throws ServletException, IOException {
            if (known.contains(lower(String.valueOf(request.getServerName())))) {
                chain.doFilter(request, response);
            } else {
                response.sendError(HttpServletResponse.SC_FORBIDDEN);
            }
        }
    }

    /** What a browser sends for a page of elsewhere changes nothing; what is no browser says neither of the two. */
    private static final class OwnPages extends OncePerRequestFilter {
        @Override
        protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
                throws ServletException, IOException {
            String site = request.getHeader("Sec-Fetch-Site");
            String origin = request.getHeader(HttpHeaders.ORIGIN);
            boolean foreign =
                    site != null && !Arrays.asList("same-origin", "none").contains(site)
                            || origin != null && !isOwn(origin, request);
            if (foreign && !READING.contains(request.getMethod())) {
                response.sendError(HttpServletResponse.SC_FORBIDDEN);
            } else {
                chain.doFilter(request, response);
            }
        }

        private static boolean isOwn(String origin, HttpServletRequest request) {
            try {
                URI from = URI.create(origin);
                int port = from.getPort() > 0 ? from.getPort() : "https".equals(from.getScheme()) ? 443 : 80;
                return String.valueOf(from.getHost()).equalsIgnoreCase(request.getServerName())
                        && port == request.getServerPort();
            } catch (IllegalArgumentException e) {
                return false;
            }
        }
    }
}
