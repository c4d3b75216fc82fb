package entaxis.core.reading;

import entaxis.core.design.ReferentialAction;
import entaxis.core.reading.SchemaBuilder.QName;
import entaxis.core.schema.Deferral;
import entaxis.core.schema.ForeignKey;
import entaxis.core.schema.TableIndex.IndexColumn;
import entaxis.core.schema.TableIndex;
import java.util.List;
import java.util.Optional;

/** Reads foreign keys (ISO/IEC 9075-2, 11.8). */
final class ReferenceParser {
    private final TokenCursor tokens;
    private final SchemaBuilder builder;
    private final ImpliedNames implied;
    private final NameParser names;
    private final ClauseEnds clauseEnds;
    private final ColumnLookup lookup;
    private final IndexParser indexes;

    ReferenceParser(TokenCursor tokens, SchemaBuilder builder, ImpliedNames implied, NameParser names,
            ClauseEnds clauseEnds, ColumnLookup lookup, IndexParser indexes) {
        this.tokens = tokens;
        this.builder = builder;
        this.implied = implied;
        this.names = names;
        this.clauseEnds = clauseEnds;
        this.lookup = lookup;
        this.indexes = indexes;
    }

    /** Reads a reference from the name of its table on. */
    void addForeignKey(TableBuilder table, String name, List<String> columns) {
        List<String> held = lookup.heldColumns(table, columns);
        QName parent = names.qualified();
        List<String> referenced = tokens.sign('(') ? tokens.names() : List.of();
        ReferentialAction onDelete = ReferentialAction.NO_ACTION;
        ReferentialAction onUpdate = ReferentialAction.NO_ACTION;
        Deferral deferral = Deferral.NOT_DEFERRABLE;
        boolean more = true;
        while (more) {
            if (tokens.accept(Keyword.ON, Keyword.DELETE)) {
                onDelete = action();
            } else if (tokens.accept(Keyword.ON, Keyword.UPDATE)) {
                onUpdate = action();
            } else if (tokens.accept(Keyword.MATCH)) {
                tokens.at++;
            } else if (tokens.accept(Keyword.NOT, Keyword.DEFERRABLE)) {
                tokens.accept(Keyword.INITIALLY, Keyword.IMMEDIATE);
            } else if (tokens.accept(Keyword.DEFERRABLE)) {
                deferral = deferral == Deferral.INITIALLY_DEFERRED ? deferral : Deferral.INITIALLY_IMMEDIATE;
            } else if (tokens.accept(Keyword.INITIALLY)) {
                deferral = tokens.is(Keyword.DEFERRED) ? Deferral.INITIALLY_DEFERRED : deferral;
                tokens.at++;
            } else {
                more = clauseEnds.otherEnd();
            }
        }
        addReference(table, new ForeignKey(Optional.empty(), name, held, parent.namespace(), parent.name(), referenced,
                onDelete, onUpdate, deferral));
    }

    /** Adds a reference as it is said; the other table may be one that comes later. */
    void addReference(TableBuilder table, ForeignKey said) {
        if (!table.keepsReferences) {
            table.passedReferences = true;
            ownIndex(table, said.name(), said.columns());
            return;
        }
        ForeignKey named = said.name().isEmpty() ? said.named(implied.foreignKey(table, said.columns())) : said;
        table.foreignKeys.add(builder.table(new QName(said.referencedNamespace(), said.referencedTable()))
                .map(other -> spelled(named, other)).orElse(named));
    }

    private static ForeignKey spelled(ForeignKey key, TableBuilder other) {
        return other.name.equals(key.referencedTable()) && ColumnLookup.allHeld(other, key.referencedColumns()) ? key
                : new ForeignKey(key.origin(), key.name(), key.columns(), key.referencedNamespace(),
                        other.name, ColumnLookup.asSpelled(other, key.referencedColumns()), key.onDelete(),
                        key.onUpdate(), key.deferral());
    }

    /**
     * MySQL manual, “FOREIGN KEY Constraint Differences”: where references are not kept, the index that they ask for
     * is.
     */
    private void ownIndex(TableBuilder table, String name, List<String> columns) {
        boolean covered = table.primaryKey.filter(key -> starts(key.columns(), columns)).isPresent()
                || table.uniqueKeys.stream().anyMatch(key -> starts(key.columns(), columns))
                || table.indexes.stream().anyMatch(index -> starts(IndexParser.nameParts(index.columns()), columns));
        if (!covered) {
            indexes.addIndex(table, new TableIndex(name.isEmpty() ? implied.index(table, columns) : name, false,
                    columns.stream().map(column -> new IndexColumn(column, false)).toList(), "", Optional.empty()));
        }
    }

    private static boolean starts(List<String> columns, List<String> wanted) {
        return columns.size() >= wanted.size() && columns.subList(0, wanted.size()).equals(wanted);
    }

    private ReferentialAction action() {
        if (tokens.accept(Keyword.CASCADE)) {
            return ReferentialAction.CASCADE;
        }
        if (tokens.accept(Keyword.RESTRICT)) {
            return ReferentialAction.RESTRICT;
        }
        if (tokens.accept(Keyword.NO)) {
            if (!tokens.acceptReading("ACTION")) {
                throw tokens.unreadable("ACTION is expected behind NO");
            }
            return ReferentialAction.NO_ACTION;
        }
        if (tokens.accept(Keyword.SET)) {
            boolean toNull = tokens.accept(Keyword.NULL);
            if (!toNull) {
                tokens.expect(Keyword.DEFAULT);
            }
            if (tokens.sign('(')) {
                tokens.skipRound();
            }
            return toNull ? ReferentialAction.SET_NULL : ReferentialAction.SET_DEFAULT;
        }
        throw tokens.unreadable("CASCADE, RESTRICT, SET NULL, SET DEFAULT or NO ACTION is expected here");
    }
}
