package entaxis.core.reading;

import static org.assertj.core.api.Assertions.assertThat;

import entaxis.core.schema.Column;
import entaxis.core.schema.Deferral;
import entaxis.core.schema.Identity;
import entaxis.core.schema.ReferentialAction;
import entaxis.core.schema.Schema;
import entaxis.core.schema.Table;
import entaxis.core.sql.Dialect;
import entaxis.core.targets.Target;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Locale;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;

/**
 * Forms of CREATE and ALTER for the engines that cannot run here, with what they make by their manuals (Transact-SQL
 * Reference; Oracle Database SQL Language Reference; MySQL manual), and what is stepped over as what. The scripts stand
 * in {@code forms/ENGINE.sql}, one after each title; what each makes stands under the same title in {@code
 * forms/ENGINE.txt}.
 */
class FormsTest {
    private static List<String> parts(String name, String mark) throws IOException {
        String all = new String(FormsTest.class.getResourceAsStream("/forms/" + name).readAllBytes(),
                StandardCharsets.UTF_8);
        return Stream.of(all.split("(?m)^" + mark)).filter(part -> !part.isBlank()).toList();
    }

    private static String column(Column column, Dialect dialect) {
        return column.name() + " " + dialect.type(column.type()) + (column.required() ? " not null" : "")
                + column.defaultValue().map(text -> " default " + text).orElse("")
                + column.generated().map(text -> " as (" + text + ")" + (column.details().virtual() ? " virtual" : ""))
                        .orElse("")
                + (column.identity() == Identity.NONE ? ""
                        : " " + column.identity()
                                + column.numbering().map(own -> " from " + own.start() + " by " + own.step())
                                        .orElse(""))
                + (column.comment().isEmpty() ? "" : " -- " + column.comment());
    }

    private static Stream<String> lines(Table table, Dialect dialect) {
        Stream<String> columns = table.columns().stream().map(column -> column(column, dialect));
        Stream<String> rest =
                Stream.of(table.primaryKey().stream().map(key -> "primary key " + key.name() + " " + key.columns()),
                        table.uniqueKeys().stream().map(key -> "unique " + key.name() + " " + key.columns()),
                        table.foreignKeys().stream().map(key -> "reference " + key.name() + " " + key.columns() + " to "
                                + key.referencedTable() + " " + key.referencedColumns()
                                + (key.onDelete() == ReferentialAction.NO_ACTION ? "" : " on delete " + key.onDelete())
                                + (key.onUpdate() == ReferentialAction.NO_ACTION ? "" : " on update " + key.onUpdate())
                        + (key.deferral() == Deferral.NOT_DEFERRABLE ? "" : " " + key.deferral())),
                table.checks().stream().map(check -> "check " + check.name() + " " + check.condition()),
                table.indexes().stream().map(index -> (index.unique() ? "unique " : "") + "index " + index.name() + " "
                                + index.columns().stream()
                                        .map(part -> (part.expression() ? "(" + part.name() + ")" : part.name())
                                                + (part.descending() ? " desc" : ""))
                                        .toList()
                                + (index.method().isEmpty() ? "" : " " + index.method())
                                + index.predicate().map(text -> " where " + text).orElse("")))
                        .flatMap(line -> line);
        return Stream.concat(Stream.of(table.name() + (table.comment().isEmpty() ? "" : " -- " + table.comment())),
                Stream.concat(columns, rest).map(line -> "  " + line.strip()));
    }

    private static String told(Reading reading, Target engine) {
        Dialect dialect = Dialect.of(engine);
        Schema schema = reading.schema();
        Stream<String> types = schema.types().stream().map(type -> "type " + type.name());
        Stream<String> sequences = schema.sequences().stream().map(
                sequence -> "sequence " + sequence.name() + " from " + sequence.start() + " by " + sequence.step());
        Stream<String> tables = schema.tables().stream().flatMap(table -> lines(table, dialect));
        Stream<String> programs =
                schema.programs().stream().map(program -> program.kind().word() + " " + program.name());
        Stream<String> over = reading.steppedOver().stream().map(step -> "line " + step.line() + ": " + step.kind());
        Stream<String> not = reading.notUnderstood().stream().map(part -> "not understood: " + part);
        return Stream.of(types, sequences, tables, programs, over, not).flatMap(line -> line)
                .collect(Collectors.joining("\n"));
    }

    @ParameterizedTest
    @EnumSource(names = {"SQLSERVER", "ORACLE", "MYSQL", "POSTGRESQL"})
    void formsOfTheManuals(Target engine) throws IOException {
        String name = engine.name().toLowerCase(Locale.ROOT);
        StringBuilder found = new StringBuilder();
        for (String form : parts(name + ".sql", "-- == ")) {
            int line = form.indexOf('\n');
            found.append("== ").append(form, 0, line).append('\n')
                    .append(told(ScriptReader.read(form.substring(line + 1), engine), engine)).append('\n');
        }
        assertThat(found.toString().lines())
                .containsExactlyElementsOf(String.join("", parts(name + ".txt", "\u0000")).lines().toList());
    }
}
