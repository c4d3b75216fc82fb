package entaxis.engines.sandbox;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatCode;

import java.util.concurrent.atomic.AtomicInteger;
import org.junit.jupiter.api.Test;

class WarmUpTest {
    @Test
    void allOfItsStatementsAreTaken() {
        assertThatCode(() -> WarmUp.until(() -> false)).doesNotThrowAnyException();
    }

    @Test
    void itEndsWhenSomebodyWaits() throws Exception {
        AtomicInteger asked = new AtomicInteger();
        WarmUp.until(() -> asked.incrementAndGet() > 3);
        assertThat(asked).hasValue(4);
    }
}
