package entaxis.web.demo;

import entaxis.web.store.DesignStore;
import org.springframework.beans.factory.SmartInitializingSingleton;
import org.springframework.boot.autoconfigure.condition.ConditionalOnProperty;
import org.springframework.stereotype.Component;

/**
 * Puts the demo designs into an empty data folder when the application is started as a demo: before the server listens,
 * so that the first page that is asked for lists them.
 */
@Component
@ConditionalOnProperty("entaxis.demo")
class DemoData implements SmartInitializingSingleton {
    private final DesignStore store;

    DemoData(DesignStore store) {
        this.store = store;
    }

    @Override
    public void afterSingletonsInstantiated() {
        if (store.list().isEmpty()) {
            store.create(SowingSheet.design());
            store.create(SeedVault.design());
        }
    }
}
