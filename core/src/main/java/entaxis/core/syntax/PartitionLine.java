package entaxis.core.syntax;

import entaxis.core.schema.PartitionBound;
import entaxis.core.schema.Partitioning;
import entaxis.core.statement.CreateTable;
import entaxis.core.statement.ScriptStatement;
import entaxis.core.targets.Target;
import entaxis.core.token.TokenCursor;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;

/**
 * A partition as one line says it: {@code reading_2024 for values from ('2024-01-01') to ('2025-01-01')}, with
 * {@code of reading_old} behind the name where it is part of another partition, and with {@code partition by} at the
 * end where it is split itself (PostgreSQL manual, CREATE TABLE).
 *
 * @param of    the partition that it is part of; empty for one of the whole
 * @param split by what its own rows are split, if they are
 */
public record PartitionLine(String name, String of, PartitionBound bound, Optional<Partitioning> split) {
    /** What a line says, or why it says nothing. */
    public sealed interface Reading<T> { }

    /** The line says this. */
    public record Read<T>(T value) implements Reading<T> { }

    /** It is not understood, for this reason. */
    public record NotRead<T>(String message) implements Reading<T> { }

    private static Optional<ScriptSyntax> syntax() {
        return Arrays.stream(Target.values()).map(ScriptSyntax::of)
                .filter(syntax -> syntax.takes(SyntaxRule.TABLE_HIERARCHIES)).findFirst();
    }

    /** Reads a partition. */
    public static Reading<PartitionLine> read(String text) {
        TokenCursor cursor = TokenCursor.withComments(text.strip());
        if (!cursor.peek().isName()) {
            return new NotRead<>("A partition begins with its name, as in: reading_2024 for values from ('2024-01-01') "
                    + "to ('2025-01-01')");
        }
        String name = cursor.next().name();
        String of = "";
        if (cursor.accept("of")) {
            if (!cursor.peek().isName()) {
                return new NotRead<>("After “of” stands the name of the partition that this one is part of.");
            }
            of = cursor.next().name();
        }
        String rest = cursor.atEnd() ? "" : text.strip().substring(cursor.peek().start());
        String part = of;
        return switch (created("PARTITION OF w " + rest)) {
            case NotRead<CreateTable>(String message) -> new NotRead<>("Of " + name + ": " + message
                    + "; write which rows it holds, as in: for values from ('2024-01-01') to ('2025-01-01'), "
                    + "for values in ('north'), for values with (modulus 4, remainder 0), default");
            case Read<CreateTable>(CreateTable table) ->
                    table.source() instanceof CreateTable.PartitionOf(var whole, var elements, var bound)
                            && elements.isEmpty() && bound.isPresent()
                                    ? new Read<>(new PartitionLine(name, part, bound.get(),
                                            table.options().partitioning()))
                                    : new NotRead<>("A partition has what the whole has; it has no columns and rules "
                                            + "of its own here.");
        };
    }

    /** Reads by what rows are split: {@code range (received_on)}. */
    public static Reading<Partitioning> readSplit(String text) {
        String bare = text.strip().toLowerCase(java.util.Locale.ROOT).startsWith("partition by ")
                ? text.strip().substring("partition by ".length()) : text.strip();
        String advice = "Say by what the rows are split, as in: range (received_on), list (region), hash (id)";
        return switch (created("(x integer) PARTITION BY " + bare)) {
            case NotRead<CreateTable>(String message) -> new NotRead<>(advice + ". Not understood: " + message + ".");
            case Read<CreateTable>(CreateTable table) -> table.options().partitioning()
                    .<Reading<Partitioning>>map(Read::new).orElse(new NotRead<>(advice));
        };
    }

    /** The statement that a line would be part of, as the one grammar reads it. */
    private static Reading<CreateTable> created(String behindTheName) {
        Optional<ScriptSyntax> syntax = syntax();
        if (syntax.isEmpty()) {
            return new NotRead<>("no engine here has partitions that are tables");
        }
        ScriptParser parser = new ScriptParser("CREATE TABLE t " + behindTheName, syntax.get());
        boolean more = parser.next();
        List<ScriptStatement> statements = more ? parser.statements() : List.of();
        if (statements.size() != 1 || !(statements.getFirst().statement() instanceof CreateTable table)
                || parser.next() && !parser.statements().isEmpty()) {
            return new NotRead<>("this is more than one line says");
        }
        return statements.getFirst().error().<Reading<CreateTable>>map(error -> new NotRead<>(error.reason()))
                .orElse(new Read<>(table));
    }
}
