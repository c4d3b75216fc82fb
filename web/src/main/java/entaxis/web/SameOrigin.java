package entaxis.web;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.util.Set;
import org.springframework.web.filter.OncePerRequestFilter;

/**
 * Refuses requests that change something and come from a page of elsewhere, another port of this machine included:
 * browsers say where a request comes from in
 * {@code Origin} and {@code Sec-Fetch-Site} (Fetch Standard, “Origin header”; W3C Fetch Metadata Request Headers).
 * What sends neither is no browser.
 */
final class SameOrigin extends OncePerRequestFilter {
    private static final Set<String> SAFE = Set.of("GET", "HEAD", "OPTIONS", "TRACE");
    private static final Set<String> OWN_SITES = Set.of("same-origin", "none");

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        if (SAFE.contains(request.getMethod()) || own(request)) {
            chain.doFilter(request, response);
        } else {
            response.sendError(HttpServletResponse.SC_FORBIDDEN);
        }
    }

    private static boolean own(HttpServletRequest request) {
        String site = request.getHeader("Sec-Fetch-Site");
        String origin = request.getHeader("Origin");
        return (site == null || OWN_SITES.contains(site))
                && (origin == null || origin.equals(request.getScheme() + "://" + request.getHeader("Host")));
    }
}
