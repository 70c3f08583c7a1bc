package ebbtide.app.access;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import org.springframework.http.HttpHeaders;
import org.springframework.http.ResponseCookie;

/** How the program's cookies are set: until the browser ends, and Secure where the request came encrypted. */
public final class Cookies {
    private Cookies() {}

    /** Sets a cookie that pages cannot read, and that other sites do not send; an empty word takes it away. */
    public static void set(HttpServletResponse response, HttpServletRequest request, String cookie, String word) {
        set(response, request, cookie, word, "Strict", true);
    }

    static void set(
            HttpServletResponse response,
            HttpServletRequest request,
            String cookie,
            String word,
            String sameSite,
            boolean httpOnly) {
        response.addHeader(
                HttpHeaders.SET_COOKIE,
                ResponseCookie.from(cookie, word)
                        .httpOnly(httpOnly)
                        .secure(request.isSecure())
                        .sameSite(sameSite)
                        .path("/")
                        .maxAge(word.isEmpty() ? 0 : -1)
                        .build()
                        .toString());
    }
}
