package entaxis.core.sql;

import entaxis.core.schema.ForeignKey;
import entaxis.core.schema.Schema;
import entaxis.core.schema.Table;
import entaxis.core.sql.Script.Kind;
import entaxis.core.sql.Script.Statement;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * Writes the statements that drop what a script creates, where it is there: references first, then tables, then types.
 */
final class Drops {
    private final Dialect dialect;
    private final Spelling spelling;

    Drops(Dialect dialect, Spelling spelling) {
        this.dialect = dialect;
        this.spelling = spelling;
    }

    void write(Schema schema, List<Table> tables, List<Statement> statements) {
        List<String> drops = new ArrayList<>();
        switch (dialect.target()) {
            case MYSQL, MARIADB -> {
                drops.add("SET FOREIGN_KEY_CHECKS = 0");
                tables.reversed().forEach(table -> drops.add("DROP TABLE IF EXISTS " + name(table)));
                drops.add("SET FOREIGN_KEY_CHECKS = 1");
            }
            case SQLITE -> {
                drops.add("PRAGMA foreign_keys = off");
                tables.reversed().forEach(table -> drops.add("DROP TABLE IF EXISTS " + name(table)));
                drops.add("PRAGMA foreign_keys = on");
            }
            case SQLSERVER -> {
                tables.forEach(table -> table.foreignKeys().stream().filter(key -> !key.name().isEmpty())
                        .forEach(key -> drops.add("IF OBJECT_ID("
                                + dialect.literal(spelling.qualified(table.namespace(), key.name()))
                                + ", N'F') IS NOT NULL ALTER TABLE " + name(table) + " DROP CONSTRAINT "
                                + spelling.name(key.name()))));
                tables.reversed().forEach(table -> drops.add("DROP TABLE IF EXISTS " + name(table)));
                schema.sequences().forEach(sequence -> drops
                        .add("DROP SEQUENCE IF EXISTS " + spelling.qualified(sequence.namespace(), sequence.name())));
            }
            case ORACLE -> {
                tables.reversed().forEach(
                        table -> drops.add(quietly("DROP TABLE " + name(table) + " CASCADE CONSTRAINTS", 942)));
                schema.sequences().forEach(sequence -> drops.add(
                        quietly("DROP SEQUENCE " + spelling.qualified(sequence.namespace(), sequence.name()), 2289)));
                schema.types().reversed()
                        .forEach(type -> drops.add(quietly("DROP TYPE " + spelling.qualified("", type.name()), 4043)));
            }
            case ISO -> {
                tables.reversed().forEach(table -> drops.add("DROP TABLE " + name(table) + " CASCADE"));
                schema.sequences().forEach(sequence -> drops.add(
                        "DROP SEQUENCE " + spelling.qualified(sequence.namespace(), sequence.name()) + " CASCADE"));
                schema.types().reversed().forEach(type -> drops
                        .add("DROP " + dialect.kind(type) + " " + spelling.qualified("", type.name()) + " CASCADE"));
            }
            case POSTGRESQL, H2 -> {
                for (Table table : tables) {
                    for (ForeignKey key : table.foreignKeys()) {
                        drops.add("ALTER TABLE IF EXISTS " + name(table) + " DROP CONSTRAINT IF EXISTS "
                                + spelling.name(key.name()));
                    }
                }
                tables.reversed().forEach(table -> drops.add("DROP TABLE IF EXISTS " + name(table)));
                schema.sequences().forEach(sequence -> drops
                        .add("DROP SEQUENCE IF EXISTS " + spelling.qualified(sequence.namespace(), sequence.name())));
                schema.types().reversed().forEach(type -> drops
                        .add("DROP " + dialect.kind(type) + " IF EXISTS " + spelling.qualified("", type.name())));
            }
        }
        drops.forEach(text -> statements.add(new Statement(Kind.DROP, Optional.empty(), text)));
    }

    private String name(Table table) {
        return spelling.qualified(table.namespace(), table.name());
    }

    /** Oracle Database Error Messages: the number that says that there is nothing to drop is not an error here. */
    private static String quietly(String statement, int absent) {
        return "BEGIN EXECUTE IMMEDIATE '" + statement.replace("'", "''")
                + "'; EXCEPTION WHEN OTHERS THEN IF SQLCODE <> -" + absent + " THEN RAISE; END IF; END;";
    }
}
