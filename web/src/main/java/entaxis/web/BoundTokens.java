package entaxis.web;

import jakarta.servlet.http.Cookie;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.security.GeneralSecurityException;
import java.security.SecureRandom;
import java.util.Arrays;
import java.util.Base64;
import java.util.Optional;
import java.util.stream.Stream;
import javax.crypto.Mac;
import javax.crypto.spec.SecretKeySpec;
import org.springframework.http.HttpHeaders;
import org.springframework.http.ResponseCookie;
import org.springframework.security.web.csrf.CsrfToken;
import org.springframework.security.web.csrf.CsrfTokenRepository;
import org.springframework.security.web.csrf.DefaultCsrfToken;

/**
 * Tokens of forms, each bound to the session of a browser: the session's number in a cookie that no script reads, and
 * the token made of it with a secret of this data
 * folder (OWASP Cross-Site Request Forgery Prevention, “Signed Double-Submit Cookie”). The server keeps no list, so
 * that a page stays usable when it is started again.
 */
final class BoundTokens implements CsrfTokenRepository {
    private static final String COOKIE = "entaxis-session";
    private static final String MADE = BoundTokens.class.getName() + ".made";
    private static final String SECRET_FILE = "secret.key";
    private static final int BYTES = 32;
    private static final Base64.Encoder TEXT = Base64.getUrlEncoder().withoutPadding();

    private final byte[] secret;

    BoundTokens(byte[] secret) {
        this.secret = secret.clone();
    }

    /** With the secret that is kept in a data folder; it is made at the first start. */
    static BoundTokens of(Path folder) throws IOException {
        Path file = folder.resolve(SECRET_FILE);
        if (Files.notExists(file) || Files.size(file) < BYTES) {
            Files.createDirectories(folder);
            Files.write(file, random());
        }
        return new BoundTokens(Files.readAllBytes(file));
    }

    private static byte[] random() {
        byte[] bytes = new byte[BYTES];
        new SecureRandom().nextBytes(bytes);
        return bytes;
    }

    @Override
    public CsrfToken generateToken(HttpServletRequest request) {
        String session = session(request).orElseGet(() -> TEXT.encodeToString(random()));
        request.setAttribute(MADE, session);
        return token(session);
    }

    @Override
    public void saveToken(CsrfToken token, HttpServletRequest request, HttpServletResponse response) {
        if (token != null && request.getAttribute(MADE) instanceof String session && session(request).isEmpty()) {
            response.addHeader(HttpHeaders.SET_COOKIE,
                    ResponseCookie.from(COOKIE, session).path("/").httpOnly(true).sameSite("Lax").build().toString());
        }
    }

    @Override
    public CsrfToken loadToken(HttpServletRequest request) {
        return session(request).map(this::token).orElse(null);
    }

    private static Optional<String> session(HttpServletRequest request) {
        return Stream.ofNullable(request.getCookies()).flatMap(Arrays::stream)
                .filter(cookie -> cookie.getName().equals(COOKIE)).map(Cookie::getValue)
                .filter(value -> value.matches("[A-Za-z0-9_-]{43}")).findFirst();
    }

    private CsrfToken token(String session) {
        try {
            Mac mac = Mac.getInstance("HmacSHA256");
            mac.init(new SecretKeySpec(secret, "HmacSHA256"));
            return new DefaultCsrfToken("X-XSRF-TOKEN", "_csrf",
                    TEXT.encodeToString(mac.doFinal(session.getBytes(StandardCharsets.UTF_8))));
        } catch (GeneralSecurityException e) {
            throw new IllegalStateException("every Java has HmacSHA256", e);
        }
    }
}
