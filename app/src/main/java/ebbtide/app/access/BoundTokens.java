package ebbtide.app.access;

import ebbtide.app.people.Token;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.security.web.csrf.CookieCsrfTokenRepository;
import org.springframework.security.web.csrf.CsrfToken;
import org.springframework.security.web.csrf.CsrfTokenRepository;
import org.springframework.security.web.csrf.DefaultCsrfToken;

/**
 * The tokens by which a page shows that it is our own: of who is signed in, made of the sign-in and good for it alone;
 * of others, whatever the cookie holds, which no other origin can read.
 */
final class BoundTokens implements CsrfTokenRepository {
    private static final String HEADER = "X-XSRF-TOKEN";
    private static final String PARAMETER = "_csrf";
    private final CookieCsrfTokenRepository cookie = CookieCsrfTokenRepository.withHttpOnlyFalse();

    private static @Nullable String bound(HttpServletRequest request) {
        return HandOfRequest.cookie(request, HandOfRequest.SIGN_IN)
                .map(word -> new Token(word).derived("page"))
                .orElse(null);
    }

    @Override
    public CsrfToken generateToken(HttpServletRequest request) {
        String bound = bound(request);
        return new DefaultCsrfToken(
                HEADER, PARAMETER, bound == null ? UUID.randomUUID().toString() : bound);
    }

    @Override
    public void saveToken(@Nullable CsrfToken token, HttpServletRequest request, HttpServletResponse response) {
        cookie.saveToken(token, request, response);
    }

    /** A cookie of another sign-in, or of none, is no token: the right one is made, and sent. */
    @Override
    public @Nullable CsrfToken loadToken(HttpServletRequest request) {
        CsrfToken sent = cookie.loadToken(request);
        String bound = bound(request);
        return bound == null || sent != null && sent.getToken().equals(bound) ? sent : null;
    }
}
