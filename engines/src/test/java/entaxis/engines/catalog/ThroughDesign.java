package entaxis.engines.catalog;

import entaxis.core.derive.Derivation;
import entaxis.core.design.DesignProperties;
import entaxis.core.design.Fresh;
import entaxis.core.design.Paper;
import entaxis.core.design.Sheet;
import entaxis.core.design.SheetId;
import entaxis.core.reconcile.Aspect;
import entaxis.core.reconcile.Comparison;
import entaxis.core.reconcile.Difference;
import entaxis.core.reconcile.DifferenceWords;
import entaxis.core.reconcile.EngineSchema;
import entaxis.core.reconcile.RenameMap;
import entaxis.core.reverse.ReverseEngineering;
import entaxis.core.reverse.ReversedDesign;
import entaxis.core.schema.Schema;
import entaxis.core.sql.Dialect;
import entaxis.core.sql.IsoNormalizer;
import entaxis.core.sql.Script;
import entaxis.core.sql.ScriptOptions;
import entaxis.core.sql.ScriptWriter;
import entaxis.core.update.DesignLosses;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Set;

/**
 * A schema made a design, and the schema that follows from that. What a design cannot hold is told when it is made; all
 * else is the same again.
 *
 * @param lost    what is another one though a design could hold it, as sentences
 * @param untold  what is another one and not told
 * @param refused what the engine refuses of the script that follows from the design
 */
record ThroughDesign(List<String> lost, List<String> untold, Script again) {
    /** What designs do not hold as engines do, and why. */
    private static final Map<String, String> NOT_HELD = Map.ofEntries(
            Map.entry("COLUMN TYPE",
                    "designs hold ISO types; a column of a reference has the type of the key that it refers to"),
            Map.entry("COLUMN DEFAULT", "columns of references hold no default"),
            Map.entry("COLUMN COMMENT", "columns of references hold no meaning of their own"),
            Map.entry("COLUMN ON_CHANGE", "designs hold nothing that sets a column at each change"),
            Map.entry("COLUMN REQUIRED", "keys of designs are never null, as they may be in SQLite"),
            Map.entry("TABLE ORDER", "columns of references stand together"),
            Map.entry("PRIMARY_KEY DEFINITION", "designs hold keys over whole columns"),
            Map.entry("UNIQUE PRESENCE", "designs hold no keys over parts of references, and each key once"),
            Map.entry("INDEX PRESENCE",
                    "designs hold no indexes on expressions, on some rows or on parts of references"),
            Map.entry("INDEX DEFINITION", "designs hold the columns of an index and their order"),
            Map.entry("FOREIGN_KEY PRESENCE", "designs hold references to primary keys"),
            Map.entry("FOREIGN_KEY DEFINITION", "designs hold no deferral"));

    static ThroughDesign of(Schema there, Dialect dialect) {
        int[] fresh = {0};
        Fresh ids = letter -> letter + "" + ++fresh[0];
        ReversedDesign reversed = ReverseEngineering.reverse(IsoNormalizer.of(there, dialect),
                new DesignProperties("Real", dialect.target(), "", ""),
                new Sheet(new SheetId("p1"), "Sheet", Paper.DEFAULT, Map.of()), Set.of(), ids);
        Schema derived = Derivation.of(reversed.design()).schema();
        Schema again = EngineSchema.ofDesign(derived, dialect);
        List<String> told = new ArrayList<>(reversed.remarks());
        told.addAll(DesignLosses.of(reversed, there, dialect));
        DifferenceWords words = new DifferenceWords("the database", "the design");
        List<Difference> apart = Comparison
                .of(EngineSchema.aligned(there, again, dialect), again, dialect, RenameMap.NONE).differences().stream()
                .filter(difference -> !difference.renamesConstraint() && !difference.added()).toList();
        List<String> lost = apart.stream()
                .filter(difference -> !NOT_HELD.containsKey(difference.part() + " " + difference.aspect()))
                .map(words::sentence).toList();
        List<String> untold = apart.stream().filter(difference -> !difference.from().isEmpty())
                .filter(difference -> told.stream().noneMatch(sentence -> sentence.contains(difference.table())
                        || sentence.contains(difference.aspect() == Aspect.TYPE ? difference.from() + " becomes "
                                : "not kept")))
                .map(words::sentence).toList();
        Script script = new ScriptWriter(dialect, ScriptOptions.DEFAULT).write(derived, "again");
        return new ThroughDesign(lost, untold, script);
    }
}
