package entaxis.web.store;

import java.util.Arrays;
import java.util.Optional;
import java.util.Set;
import org.flywaydb.core.api.MigrationInfo;
import org.flywaydb.core.api.MigrationState;
import org.springframework.boot.flyway.autoconfigure.FlywayMigrationStrategy;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;

/** Brings the tables of the store up to date, and leaves a store alone that a newer version has written. */
@Configuration
class StoreVersion {
    private static final Set<MigrationState> NEWER =
            Set.of(MigrationState.FUTURE_SUCCESS, MigrationState.FUTURE_FAILED);

    @Bean
    FlywayMigrationStrategy migration() {
        return flyway -> {
            Optional<MigrationInfo> newer = Arrays.stream(flyway.info().all())
                    .filter(info -> NEWER.contains(info.getState())).reduce((first, last) -> last);
            if (newer.isPresent()) {
                throw new NewerStore(
                        "The data folder was written by a newer version of Entaxis: its tables are of version "
                                + newer.get().getVersion()
                        + ", which this version does not know. Nothing was changed.");
            }
            flyway.migrate();
        };
    }

    /** The store is of a newer version. */
    static final class NewerStore extends RuntimeException {
        private static final long serialVersionUID = 1;

        NewerStore(String message) {
            super(message);
        }
    }
}
