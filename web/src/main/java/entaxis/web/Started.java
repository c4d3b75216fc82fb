package entaxis.web;

import entaxis.drawing.text.TextMeasure;
import entaxis.drawing.text.TextStyle;
import entaxis.web.store.StoreFiles;
import java.io.IOException;
import java.lang.management.ManagementFactory;
import java.nio.file.Path;
import java.time.Instant;
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
        Path data = Path.of(event.getApplicationContext().getEnvironment().getProperty("entaxis.data", "./data"));
        StoreFiles.own(data);
        StoreFiles.tidyTemporary(data, Instant.ofEpochMilli(ManagementFactory.getRuntimeMXBean().getStartTime()));
        Thread.ofPlatform().daemon().name("fonts").start(Started::loadFonts);
        ConfigurableApplicationContext context = event.getApplicationContext();
        if (context instanceof WebServerApplicationContext web) {
            System.out
                    .println("Entaxis is at http://127.0.0.1:" + web.getWebServer().getPort() + "/  (Ctrl+C stops it)");
        }
    }

    /** Fonts are copied to the disk when they are first used, which must not be when it is full. */
    private static void loadFonts() {
        TextMeasure measure = new TextMeasure();
        for (TextStyle style : TextStyle.values()) {
            measure.width("Aa", style);
        }
    }
}
