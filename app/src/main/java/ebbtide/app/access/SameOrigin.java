package ebbtide.app.access;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.security.config.annotation.web.builders.HttpSecurity;
import org.springframework.security.config.http.SessionCreationPolicy;
import org.springframework.security.web.SecurityFilterChain;
import org.springframework.security.web.csrf.CsrfFilter;
import org.springframework.web.filter.OncePerRequestFilter;

/**
 * The guard of the local server: only pages it served itself may change anything (a token that other origins cannot
 * read), and only under the names it is reached by, so that a foreign name pointed at this machine gets nothing.
 */
@Configuration
class SameOrigin {
    private static final String POLICY = "default-src 'self'; style-src 'self' 'unsafe-inline'; img-src 'self' data:; "
            + "frame-ancestors 'none'; base-uri 'self'; form-action 'self'";

    @Bean
    SecurityFilterChain chain(HttpSecurity http, @Value("${ebbtide.host:127.0.0.1}") String host) throws Exception {
        return http.csrf(csrf -> csrf.spa())
                .sessionManagement(session -> session.sessionCreationPolicy(SessionCreationPolicy.STATELESS))
                .authorizeHttpRequests(requests -> requests.anyRequest().permitAll())
                .headers(headers -> headers.contentSecurityPolicy(policy -> policy.policyDirectives(POLICY)))
                .addFilterBefore(new KnownHost(host), CsrfFilter.class)
                .build();
    }

    private static final class KnownHost extends OncePerRequestFilter {
        private final Set<String> known;

        KnownHost(String chosen) {
            Set<String> names = new HashSet<>(List.of("127.0.0.1", "localhost", "[::1]"));
            names.add(chosen);
            this.known = Set.copyOf(names);
        }

        @Override
        protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
                throws ServletException, IOException {
            if (known.contains("0.0.0.0") || known.contains(request.getServerName())) {
                chain.doFilter(request, response);
            } else {
                response.sendError(HttpServletResponse.SC_FORBIDDEN);
            }
        }
    }
}
