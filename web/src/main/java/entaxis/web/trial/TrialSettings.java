package entaxis.web.trial;

import entaxis.engines.sandbox.SandboxLimits;
import entaxis.engines.sandbox.Sandboxes;
import java.nio.file.Path;
import java.time.Duration;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;

/** How many databases of the built-in engine there are at a time, and for how long. */
@Configuration
class TrialSettings {
    private static final String FOLDER = "trial";

    /** The processes in which users' statements run. */
    @Bean
    Sandboxes sandboxes(@Value("${entaxis.data:./data}") String data, @Value("${entaxis.trial.most:6}") int most,
            @Value("${entaxis.trial.statement-time:5s}") Duration statementTime,
            @Value("${entaxis.trial.memory-megabytes:128}") int megabytes) {
        SandboxLimits usual = SandboxLimits.DEFAULT;
        return new Sandboxes(new SandboxLimits(statementTime, megabytes, usual.rows(), usual.answerBytes()),
                Path.of(data, FOLDER), most);
    }
}
