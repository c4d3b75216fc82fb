package entaxis.web;

import jakarta.servlet.DispatcherType;
import java.nio.file.Path;
import java.util.Set;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.security.config.Customizer;
import org.springframework.security.config.annotation.web.builders.HttpSecurity;
import org.springframework.security.config.http.SessionCreationPolicy;
import org.springframework.security.web.SecurityFilterChain;
import org.springframework.security.web.csrf.CsrfFilter;
import org.springframework.security.web.firewall.HttpFirewall;
import org.springframework.security.web.firewall.StrictHttpFirewall;

/** One designer at one machine: no sign-in, but nothing that another site's page could do in the designer's name. */
@Configuration
class SecurityConfig {
    private static final Set<String> HOSTS = Set.of("127.0.0.1", "localhost", "::1", "[::1]");
    private static final String POLICY =
            "default-src 'self'; script-src 'self'; style-src 'self'; img-src 'self' data:; object-src 'none'; "
                    + "base-uri 'self'; "
            + "form-action 'self'; frame-ancestors 'none'";

    /** Where a request comes from and the token that it carries both tell whether it is the designer's own. */
    @Bean
    SecurityFilterChain chain(HttpSecurity http, @Value("${entaxis.data:./data}") String folder) throws Exception {
        BoundTokens tokens = BoundTokens.of(Path.of(folder));
        return http
                .addFilterBefore(new SameOrigin(), CsrfFilter.class)
                .authorizeHttpRequests(
                        requests -> requests.dispatcherTypeMatchers(DispatcherType.ERROR, DispatcherType.FORWARD)
                                .permitAll().anyRequest().permitAll())
                .csrf(csrf -> csrf.csrfTokenRepository(tokens))
                .sessionManagement(session -> session.sessionCreationPolicy(SessionCreationPolicy.STATELESS))
                .headers(headers -> headers.contentSecurityPolicy(policy -> policy.policyDirectives(POLICY))
                        .cacheControl(Customizer.withDefaults()))
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
