package entaxis.web;

import entaxis.web.store.StoreFiles;
import java.io.IOException;
import java.nio.file.Path;
import org.springframework.boot.web.server.context.WebServerApplicationContext;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.context.ConfigurableApplicationContext;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Component;

/** Says where Entaxis is to be found once it can be used. */
@Component
class Started {
    @EventListener
    void ready(ApplicationReadyEvent event) throws IOException {
        StoreFiles.own(Path.of(event.getApplicationContext().getEnvironment().getProperty("entaxis.data", "./data")));
        ConfigurableApplicationContext context = event.getApplicationContext();
        if (context instanceof WebServerApplicationContext web) {
            System.out.println("Entaxis is at http://127.0.0.1:" + web.getWebServer().getPort() + "/  (Ctrl+C stops it)");
        }
    }
}
