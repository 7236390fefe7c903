package fairkettle.server.access;

import jakarta.servlet.http.Cookie;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.time.Duration;
import java.util.Arrays;
import java.util.Optional;
import java.util.stream.Stream;
import org.springframework.http.HttpHeaders;
import org.springframework.http.ResponseCookie;

/** What a browser keeps for us: no script reads it, and no other site's page sends it. */
final class Cookies {

    static final String SESSION = "kettle-session";
    static final String DEVICE = "kettle-device";
    static final Duration FOR_GOOD = Duration.ofDays(400); // browsers keep nothing for longer

    private Cookies() {}

    static Optional<String> of(HttpServletRequest request, String name) {
        return Optional.ofNullable(request.getCookies()).stream()
                .flatMap(Arrays::stream)
                .filter(cookie -> cookie.getName().equals(name))
                .map(Cookie::getValue)
                .findFirst();
    }

    static void keep(
            HttpServletRequest request, HttpServletResponse response, String name, String value, Duration lasts) {
        var cookie = ResponseCookie.from(name, value)
                .httpOnly(true)
                .secure(request.isSecure())
                .sameSite("Strict")
                .path("/")
                .maxAge(lasts)
                .build();
        response.addHeader(HttpHeaders.SET_COOKIE, cookie.toString());
    }

    static void forget(HttpServletRequest request, HttpServletResponse response, String... names) {
        Stream.of(names).forEach(name -> keep(request, response, name, "", Duration.ZERO));
    }
}
