package entaxis.web.store;

import entaxis.core.change.Editor;
import entaxis.core.change.Outcome.Applied;
import entaxis.core.design.Design;
import entaxis.exchange.DesignJson;
import entaxis.exchange.UnreadableJson;
import java.nio.file.Path;
import java.sql.SQLException;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.apache.ibatis.mapping.Environment;
import org.apache.ibatis.session.Configuration;
import org.apache.ibatis.session.SqlSession;
import org.apache.ibatis.session.SqlSessionFactoryBuilder;
import org.apache.ibatis.transaction.jdbc.JdbcTransactionFactory;
import org.h2.jdbcx.JdbcDataSource;

/** Reads a store from its first edit to its last and tells whether it is whole. */
public final class StoreCheck {
    private StoreCheck() { }

    /**
     * What was found of one design.
     *
     * @param edits  how many edits were replayed
     * @param faults what is wrong, for people
     */
    public record Finding(String id, String name, long edits, List<String> faults) {
        /** Copies the list. */
        public Finding {
            faults = List.copyOf(faults);
        }
    }

    /** Opens a store that nobody else has open, only to read it. */
    static JdbcDataSource source(Path file, boolean read) {
        JdbcDataSource source = new JdbcDataSource();
        String path = file.toAbsolutePath().toString().replaceFirst("\\.mv\\.db$", "");
        source.setURL("jdbc:h2:file:" + path + ";IFEXISTS=TRUE;DB_CLOSE_ON_EXIT=FALSE;TRACE_LEVEL_FILE=0"
                + (read ? ";ACCESS_MODE_DATA=r" : ""));
        source.setUser("entaxis");
        source.setPassword("");
        return source;
    }

    /**
     * Replays all designs, deleted ones too; in time and memory of the largest.
     *
     * @param file the database file
     * @throws SQLException if it cannot be opened, or is no store
     */
    public static List<Finding> of(Path file) throws SQLException {
        Configuration configuration =
                new Configuration(new Environment("check", new JdbcTransactionFactory(), source(file, true)));
        configuration.addMapper(DesignMapper.class);
        try (SqlSession session = new SqlSessionFactoryBuilder().build(configuration).openSession()) {
            DesignMapper mapper = session.getMapper(DesignMapper.class);
            List<Finding> findings = new ArrayList<>();
            for (DesignRow row : mapper.allDesigns()) {
                findings.add(of(mapper, row));
            }
            return findings;
        } catch (RuntimeException e) {
            throw e.getCause() instanceof SQLException cause ? cause : new SQLException(e);
        }
    }

    private static Finding of(DesignMapper mapper, DesignRow row) {
        List<String> faults = new ArrayList<>();
        List<Long> snapshots = mapper.snapshots(row.id(), Long.MAX_VALUE).reversed();
        Optional<Design> design = Optional.empty();
        long revision = -1;
        for (long at : snapshots) {
            Optional<Design> kept = snapshot(mapper, row.id(), at, faults);
            if (design.isPresent()) {
                design = replayed(mapper, row.id(), design.get(), revision, at, faults);
                if (design.isPresent() && kept.isPresent() && !design.get().equals(kept.get())) {
                    faults.add("The snapshot of revision " + at + " is not what the edits before it come to.");
                }
            }
            design = kept;
            revision = at;
        }
        if (snapshots.isEmpty()) {
            faults.add("It has no snapshot.");
        }
        if (design.isPresent()) {
            replayed(mapper, row.id(), design.get(), revision, row.revision(), faults);
        }
        return new Finding(row.id(), row.name(), row.revision(), faults);
    }

    private static Optional<Design> snapshot(DesignMapper mapper, String id, long revision, List<String> faults) {
        try {
            return mapper.snapshot(id, revision).map(row -> DesignJson.readDesign(row.designJson()));
        } catch (UnreadableJson e) {
            faults.add("The snapshot of revision " + revision + " cannot be read.");
            return Optional.empty();
        }
    }

    private static Optional<Design> replayed(DesignMapper mapper, String id, Design from, long after, long upTo,
            List<String> faults) {
        Design design = from;
        long revision = after;
        for (JournalRow entry : mapper.journalBetween(id, after, upTo)) {
            try {
                DesignJson.readPatch(entry.inverseJson());
                boolean next = entry.revision() == revision + 1 && JournalRow.Kind.of(entry.kind()).isPresent();
                if (!next || !(Editor.apply(design,
                        DesignJson.readChange(entry.changeJson())) instanceof Applied(Design changed, var inverse))) {
                    faults.add("Edit " + (revision + 1) + (next ? " does not fit the design as it was then."
                            : " is missing, or of a kind that is not known."));
                    return Optional.empty();
                }
                design = changed;
                revision++;
            } catch (UnreadableJson | ClassCastException e) {
                faults.add("Edit " + entry.revision() + " cannot be read.");
                return Optional.empty();
            }
        }
        if (revision < upTo) {
            faults.add("Edit " + (revision + 1) + " is missing.");
            return Optional.empty();
        }
        return Optional.of(design);
    }
}
