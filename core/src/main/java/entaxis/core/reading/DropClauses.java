package entaxis.core.reading;

import java.util.List;
import java.util.Optional;

/** Reads DROP of ALTER TABLE. */
final class DropClauses {
    private final TokenCursor tokens;
    private final SchemaBuilder builder;
    private final StepOver pass;

    DropClauses(TokenCursor tokens, SchemaBuilder builder, StepOver pass) {
        this.tokens = tokens;
        this.builder = builder;
        this.pass = pass;
    }

    // DROP

    boolean drop(TableBuilder table, int from) {
        if (tokens.reads(tokens.at, "SYSTEM") && tokens.reads(tokens.at + 1, "VERSIONING")) {
            tokens.at += 2;
            return false;
        }
        Keyword what = tokens.word();
        switch (what) {
            case CONSTRAINT -> dropConstraints(table);
            case PRIMARY -> {
                tokens.at++;
                tokens.expect(Keyword.KEY);
                table.primaryKey = Optional.empty();
                tail();
            }
            case UNIQUE -> {
                tokens.at++;
                List<String> columns = tokens.names();
                table.uniqueKeys.removeIf(key -> key.columns().size() == columns.size() && columns.stream()
                        .allMatch(name -> key.columns().stream().anyMatch(own -> table.same(own, name))));
                tail();
            }
            case INDEX, KEY -> {
                if (!builder.takes(SyntaxRule.INDEXES_ALTERED_WITH_TABLE)) {
                    dropColumns(table);
                    return false;
                }
                tokens.at++;
                boolean ifThere = tokens.accept(Keyword.IF, Keyword.EXISTS);
                int at = tokens.at;
                dropIndex(table, tokens.name(), ifThere, at);
            }
            case FOREIGN -> dropForeignKey(table);
            case CHECK -> {
                tokens.at++;
                int at = tokens.at;
                dropConstraint(table, tokens.name(), false, at);
            }
            case PERIOD -> {
                tokens.at += 2;
                String name = tokens.name();
                table.checks.removeIf(check -> table.same(check.name(), name));
            }
            case PARTITION -> {
                pass.over(from, "partitioning");
                return true;
            }
            default -> dropColumns(table);
        }
        return false;
    }

    private void dropConstraints(TableBuilder table) {
        tokens.at++;
        boolean ifThere = tokens.accept(Keyword.IF, Keyword.EXISTS);
        do {
            int at = tokens.at;
            dropConstraint(table, tokens.name(), ifThere, at);
            if (builder.takes(SyntaxRule.ALTER_LISTS) && tokens.sign(',')
                    && tokens.word(tokens.at + 1) == Keyword.COLUMN) {
                return;
            }
        } while (builder.takes(SyntaxRule.ALTER_LISTS) && tokens.acceptSign(','));
        tail();
    }

    private void dropForeignKey(TableBuilder table) {
        tokens.at++;
        tokens.expect(Keyword.KEY);
        boolean ifThere = tokens.accept(Keyword.IF, Keyword.EXISTS);
        int at = tokens.at;
        String name = tokens.name();
        boolean gone = table.foreignKeys.removeIf(key -> key.name().equalsIgnoreCase(name));
        if (!gone && !ifThere) {
            throw StatementException.conflict(at, "the table " + table.name + " has no foreign key " + name);
        }
        table.leaveBehind(name);
    }

    private void tail() {
        if (tokens.accept(Keyword.CASCADE)) {
            tokens.acceptReading("CONSTRAINTS");
        } else {
            tokens.accept(Keyword.RESTRICT);
        }
        if (builder.takes(SyntaxRule.INDEX_BEHIND_DROPPED_CONSTRAINT)
                && (tokens.accept(Keyword.KEEP) || tokens.accept(Keyword.DROP))) {
            tokens.accept(Keyword.INDEX);
        }
        if (tokens.is(Keyword.WITH) && tokens.sign(tokens.at + 1, '(')) {
            tokens.at++;
            tokens.skipRound();
        }
    }

    void dropColumns(TableBuilder table) {
        tokens.accept(Keyword.COLUMN);
        boolean ifThere = tokens.accept(Keyword.IF, Keyword.EXISTS);
        boolean round = tokens.acceptSign('(');
        do {
            int at = tokens.at;
            if (builder.takes(SyntaxRule.ALTER_LISTS) && at > 0 && tokens.sign(at - 1, ',')
                    && (tokens.is(Keyword.CONSTRAINT) || tokens.is(Keyword.COLUMN))) {
                tokens.at--;
                break;
            }
            String name = tokens.name();
            Optional<ColumnBuilder> column = table.column(name);
            if (column.isEmpty() && builder.takes(SyntaxRule.ALTER_LISTS)) {
                dropConstraint(table, name, ifThere, at);
            } else if (column.isEmpty() && !ifThere) {
                throw StatementException.conflict(at, "the table " + table.name + " has no column " + name);
            }
            column.ifPresent(own -> dropColumn(table, own));
        } while ((round || builder.takes(SyntaxRule.ALTER_LISTS)) && tokens.acceptSign(','));
        if (round) {
            tokens.expectSign(')');
        }
        tail();
    }

    private void dropColumn(TableBuilder table, ColumnBuilder column) {
        builder.dropReferences(table, List.of(column.name));
        table.drop(column, builder.takes(SyntaxRule.DROPPED_COLUMN_LEAVES_INDEX));
        table.heirs.forEach(heir -> heir.column(column.name).ifPresent(inherited -> dropColumn(heir, inherited)));
    }

    private void dropConstraint(TableBuilder table, String name, boolean ifThere, int at) {
        boolean cascade = tokens.is(Keyword.CASCADE);
        if (table.primaryKey.filter(key -> table.same(key.name(), name)).isPresent()) {
            if (cascade) {
                builder.dropReferencesTo(table, table.primaryKey.get().columns());
            }
            table.primaryKey = Optional.empty();
            return;
        }
        if (cascade) {
            table.uniqueKeys.stream().filter(key -> table.same(key.name(), name))
                    .forEach(key -> builder.dropReferencesTo(table, key.columns()));
        }
        boolean gone = table.uniqueKeys.removeIf(key -> table.same(key.name(), name))
                | table.foreignKeys.removeIf(key -> table.same(key.name(), name))
                | table.checks.removeIf(check -> table.same(check.name(), name))
                | table.indexes.removeIf(index -> index.method().equals("exclude") && table.same(index.name(), name));
        if (gone) {
            table.heirs.forEach(heir -> heir.checks.removeIf(check -> heir.same(check.name(), name)));
            return;
        }
        boolean namesDefault = builder.takes(SyntaxRule.NAMED_DEFAULTS) || name.endsWith("_not_null");
        if (!ifThere && !namesDefault) {
            throw StatementException.conflict(at, "the table " + table.name + " has no constraint " + name);
        }
    }

    private void dropIndex(TableBuilder table, String name, boolean ifThere, int at) {
        if (name.equalsIgnoreCase("primary")) {
            table.primaryKey = Optional.empty();
            return;
        }
        boolean gone = table.indexes.removeIf(index -> index.name().equalsIgnoreCase(name))
                | table.uniqueKeys.removeIf(key -> key.name().equalsIgnoreCase(name));
        boolean ofReference = table.foreignKeys.stream()
                .anyMatch(key -> key.name().equalsIgnoreCase(name) || key.columns().getFirst().equalsIgnoreCase(name));
        if (!gone && !ifThere && !ofReference && !table.takeLeftBehind(name)) {
            throw StatementException.conflict(at, "the table " + table.name + " has no index " + name);
        }
    }
}
