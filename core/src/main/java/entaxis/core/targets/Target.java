package entaxis.core.targets;

import java.util.Arrays;
import java.util.Locale;
import java.util.Optional;

/** The engine that a design's tables are meant for. */
public enum Target {
    POSTGRESQL("PostgreSQL"), MYSQL("MySQL"), MARIADB("MariaDB"), SQLITE("SQLite"), SQLSERVER("SQL Server"),
    ORACLE("Oracle"), DUCKDB("DuckDB"), H2("H2"), ISO("ISO SQL");

    /** The engine of a design that names none. */
    public static final Target DEFAULT = POSTGRESQL;
    /** The engine that comes along, for trials and rehearsals. */
    public static final Target BUILT_IN = H2;
    /** No engine in particular, but the standard. */
    public static final Target STANDARD = ISO;

    private final String title;

    Target(String title) {
        this.title = title;
    }

    /** The engine's name as people write it. */
    public String title() {
        return title;
    }

    /** The engine's name in one small word, as the command line takes it. */
    public String word() {
        return name().toLowerCase(Locale.ROOT);
    }

    /** The engine of a small word. */
    public static Optional<Target> of(String word) {
        return Arrays.stream(values()).filter(target -> target.word().equals(word)).findFirst();
    }
}
