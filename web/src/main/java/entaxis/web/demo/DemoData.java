package entaxis.web.demo;

import entaxis.web.store.DesignStore;
import org.springframework.boot.ApplicationArguments;
import org.springframework.boot.ApplicationRunner;
import org.springframework.boot.autoconfigure.condition.ConditionalOnProperty;
import org.springframework.stereotype.Component;

/** Puts the demo designs into an empty data folder when the application is started as a demo. */
@Component
@ConditionalOnProperty("entaxis.demo")
class DemoData implements ApplicationRunner {
    private final DesignStore store;

    DemoData(DesignStore store) {
        this.store = store;
    }

    @Override
    public void run(ApplicationArguments arguments) {
        if (store.list().isEmpty()) {
            store.create(SowingSheet.design());
            store.create(SeedVault.design());
        }
    }
}
