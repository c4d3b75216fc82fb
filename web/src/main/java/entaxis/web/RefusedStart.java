package entaxis.web;

import org.springframework.boot.diagnostics.AbstractFailureAnalyzer;
import org.springframework.boot.diagnostics.FailureAnalysis;

/** Says in plain words why a start was refused. */
class RefusedStart extends AbstractFailureAnalyzer<BeforeStart.Refused> {
    @Override
    protected FailureAnalysis analyze(Throwable failure, BeforeStart.Refused cause) {
        return new FailureAnalysis(cause.getMessage(), "", cause);
    }
}
