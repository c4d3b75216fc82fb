package entaxis.core.migration;

import entaxis.core.reconcile.EngineWordingRules;
import entaxis.core.schema.Program;
import entaxis.core.schema.Schema;
import entaxis.core.schema.Table;
import java.util.HashSet;
import java.util.Set;
import java.util.stream.Stream;

/** Names for the copies of tables that exist only while a migration runs: none is that of a table or a view. */
final class CopyNames {
    private final EngineWordingRules words;
    private final Set<String> used = new HashSet<>();

    /** Names that neither of the two schemas uses. Linear. */
    CopyNames(Schema from, Schema to, EngineWordingRules words) {
        this.words = words;
        Stream.of(from, to).forEach(schema -> {
            schema.tables().stream().map(Table::name).map(words::folded).forEach(used::add);
            schema.programs().stream().map(Program::name).map(words::folded).forEach(used::add);
        });
    }

    /** The copy of a table, called like the table with an ending, and with a number where that name is in use. */
    Table of(Table table, String ending) {
        String name = words.dialect().stored(table.name() + ending);
        for (int number = 2; !used.add(words.folded(name)); number++) {
            name = words.dialect().stored(table.name() + ending + "_" + number);
        }
        return table.named(name);
    }
}
