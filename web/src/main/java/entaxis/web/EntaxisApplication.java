package entaxis.web;

import entaxis.web.cli.CommandTraining;
import entaxis.web.cli.Commands;
import java.io.FileDescriptor;
import java.io.FileOutputStream;
import java.io.IOException;
import java.io.PrintStream;
import java.nio.charset.StandardCharsets;
import java.util.OptionalInt;
import org.springframework.boot.SpringApplication;
import org.springframework.boot.autoconfigure.SpringBootApplication;
import org.springframework.boot.security.autoconfigure.UserDetailsServiceAutoConfiguration;

/** Starts Entaxis. */
@SpringBootApplication(exclude = UserDetailsServiceAutoConfiguration.class)
public class EntaxisApplication {
    /** Carries out a command, or starts the server. */
    public static void main(String[] args) throws IOException {
        if (System.getProperty("entaxis.training", "").equals("commands")) {
            CommandTraining.run();
            return;
        }
        OptionalInt done = new Commands(
                new PrintStream(new FileOutputStream(FileDescriptor.out), true, StandardCharsets.UTF_8),
                new PrintStream(new FileOutputStream(FileDescriptor.err), true, StandardCharsets.UTF_8)).run(args);
        if (done.isPresent()) {
            System.exit(done.getAsInt());
        }
        SpringApplication application = new SpringApplication(EntaxisApplication.class);
        application.addListeners(new BeforeStart());
        application.run(args);
    }
}
