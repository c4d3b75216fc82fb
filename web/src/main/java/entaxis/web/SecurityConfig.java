package entaxis.web;

import jakarta.servlet.DispatcherType;
import java.util.Set;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.security.config.Customizer;
import org.springframework.security.config.annotation.web.builders.HttpSecurity;
import org.springframework.security.config.http.SessionCreationPolicy;
import org.springframework.security.web.SecurityFilterChain;
import org.springframework.security.web.csrf.CookieCsrfTokenRepository;
import org.springframework.security.web.firewall.HttpFirewall;
import org.springframework.security.web.firewall.StrictHttpFirewall;

/** One designer at one machine: no sign-in, but nothing that another site's page could do in the designer's name. */
@Configuration
class SecurityConfig {
    private static final Set<String> HOSTS = Set.of("127.0.0.1", "localhost", "::1", "[::1]");
    private static final String POLICY = "default-src 'self'; script-src 'self'; style-src 'self'; img-src 'self' data:; object-src 'none'; base-uri 'self'; "
            + "form-action 'self'; frame-ancestors 'none'";

    /** The token that forms carry lives in a cookie, not in a session, so that a page stays usable when the server is restarted. */
    @Bean
    SecurityFilterChain chain(HttpSecurity http) throws Exception {
        return http
                .authorizeHttpRequests(requests -> requests.dispatcherTypeMatchers(DispatcherType.ERROR, DispatcherType.FORWARD).permitAll().anyRequest().permitAll())
                .csrf(csrf -> csrf.csrfTokenRepository(new CookieCsrfTokenRepository()))
                .sessionManagement(session -> session.sessionCreationPolicy(SessionCreationPolicy.STATELESS))
                .headers(headers -> headers.contentSecurityPolicy(policy -> policy.policyDirectives(POLICY)).cacheControl(Customizer.withDefaults()))
                .build();
    }

    /** Refuses requests under any other name, which a page elsewhere could have pointed at this machine. */
    @Bean
    HttpFirewall firewall() {
        StrictHttpFirewall firewall = new StrictHttpFirewall();
        firewall.setAllowedHostnames(HOSTS::contains);
        return firewall;
    }
}
