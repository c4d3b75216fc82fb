package entaxis.web;

import org.springframework.boot.SpringApplication;
import org.springframework.boot.autoconfigure.SpringBootApplication;
import org.springframework.boot.security.autoconfigure.UserDetailsServiceAutoConfiguration;

/** Starts Entaxis. */
@SpringBootApplication(exclude = UserDetailsServiceAutoConfiguration.class)
public class EntaxisApplication {
    /** Starts the server. */
    public static void main(String[] args) {
        SpringApplication.run(EntaxisApplication.class, args);
    }
}
