package entaxis.web;

import entaxis.web.store.StoreFiles;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.net.InetAddress;
import java.net.UnknownHostException;
import java.nio.file.Files;
import java.nio.file.Path;
import org.springframework.boot.context.event.ApplicationEnvironmentPreparedEvent;
import org.springframework.context.ApplicationListener;

/**
 * What must be so before anything is opened: the data folder is its owner's alone, and nobody outside this machine is
 * served, since there is no sign-in.
 */
class BeforeStart implements ApplicationListener<ApplicationEnvironmentPreparedEvent> {
    /** A start that was refused; the message says why and what to do. */
    static final class Refused extends RuntimeException {
        private static final long serialVersionUID = 1;

        Refused(String message) {
            super(message);
        }
    }

    @Override
    public void onApplicationEvent(ApplicationEnvironmentPreparedEvent event) {
        String address = event.getEnvironment().getProperty("server.address", "127.0.0.1");
        if (!loopback(address)) {
            throw new Refused("Entaxis has no sign-in yet and serves this machine only; “" + address
                    + "” could be reached from others. Leave server.address out, or give 127.0.0.1.");
        }
        try {
            Path data = Path.of(event.getEnvironment().getProperty("entaxis.data", "./data"));
            StoreFiles.own(data);
            Path store = data.resolve(StoreFiles.DATABASE);
            if (Files.exists(store) && Files.size(store) == 0) {
                throw new Refused("The store " + store
                        + " is empty: its content is lost, perhaps because a disk was full. Move the file away, then "
                        + "bring a backup back with ./entaxis restore FILE, or start "
                        + "without one to begin again.");
            }
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private static boolean loopback(String address) {
        try {
            return !address.isBlank() && InetAddress.getByName(address).isLoopbackAddress();
        } catch (UnknownHostException e) {
            return false;
        }
    }
}
