package entaxis.engines.catalog;

import entaxis.core.reading.ScriptReader;
import entaxis.core.reconcile.Aspect;
import entaxis.core.reconcile.Comparison;
import entaxis.core.reconcile.Difference;
import entaxis.core.reconcile.EngineSchema;
import entaxis.core.reconcile.RenameMap;
import entaxis.core.schema.Column;
import entaxis.core.schema.Identity;
import entaxis.core.schema.Program;
import entaxis.core.schema.Schema;
import entaxis.core.schema.Sequence;
import entaxis.core.schema.Table;
import entaxis.core.schema.TableIndex.IndexColumn;
import entaxis.core.sql.AdaptationNote;
import entaxis.core.sql.Dialect;
import entaxis.core.sql.DialectAdapter;
import entaxis.core.sql.IsoNormalizer;
import entaxis.core.sql.LossReport;
import entaxis.core.sql.TableFeatures;
import entaxis.core.targets.Target;
import entaxis.core.type.SqlType;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import java.util.stream.Stream;

/**
 * What the scripts of one application for two engines have apart, each difference with the rule that explains it. A
 * difference is the authors' only where both scripts say it by themselves, before one is put into the words of the
 * other engine; where putting it there makes it, that has to be told.
 */
final class EngineDifferences {
    /** Why two scripts say something else, with the source where an engine is the reason. */
    enum Rule {
        TEXTS("lengths and forms of texts", "one engine bounds texts in keys, or has several types of texts"),
        WHOLE("sizes and signs of whole numbers", "PostgreSQL and SQLite have no unsigned numbers and no tinyint"),
        TRUTH("truth values as numbers, letters or lists", "not each engine has, or had, truth values"),
        MOMENTS("moments with other fractions or zones", "MySQL keeps fractions only where asked (MySQL manual, 11.2)"),
        MOMENT_NUMBERS("moments as numbers", "the authors count seconds on one of the engines"),
        BYTES("lengths and forms of bytes", "PostgreSQL has one type of bytes (PostgreSQL manual, 8.4)"),
        TEXT_BYTES("texts as bytes", "the authors compare texts byte by byte on one of the engines"),
        LISTS("lists of values as texts", "MySQL has lists of values in the column (MySQL manual, ENUM)"),
        NUMBERS("other kinds of numbers", "SQLite takes any declared type (SQLite documentation, Datatypes)"),
        OWN_SIZES("another of an engine's words for one type",
                "MySQL has four sizes of texts and bytes, SQLite any word; what has no bound becomes the largest"),
        KINDS("values of another kind", "the authors keep the value in another way on one of the engines"),
        STAND_INS("checks for types", "a check stands in for a type that the other engine does not have"),
        CHECKS("checks on one engine only",
                "MySQL read past checks before 8.0.16 (MySQL manual, CHECK Constraints), SQLite cannot add them"),
        PROGRAMS("views, routines and triggers", "they are written for one engine"),
        SEQUENCES("sequences", "MySQL and SQLite have none"),
        NUMBERED("who numbers the rows", "serial, auto_increment and rowid are not the same promise"),
        REQUIRED("required on one engine only", "keys of SQLite may be null; otherwise the authors' choice"),
        DEFAULTS("defaults", "the authors' choice"),
        KEY_FORMS("one key in another form", "the same columns as primary key, unique key or unique index"),
        KEYS("keys and indexes on one engine only", "the authors' choice; a prefix or an expression on one of them"),
        REFERENCE_INDEXES("indexes of references", "InnoDB makes one for each reference (MySQL manual, FOREIGN KEY)"),
        REFERENCES("references on one engine only, or with other actions", "the authors' choice"),
        NAMES("names of keys, references and indexes", "PostgreSQL and SQLite have one space for names of indexes"),
        ORDER("order of columns", "the authors' choice"),
        COMMENTS("comments", "SQLite keeps none; MySQL has them inside the definition"),
        ON_CHANGE("set at each change", "MySQL's ON UPDATE CURRENT_TIMESTAMP"),
        THERE("tables and columns on one engine only", "the authors' choice"),
        TOLD("what one engine cannot hold", "told when the script is written for it");

        final String what;
        final String why;

        Rule(String what, String why) {
            this.what = what;
            this.why = why;
        }
    }

    /** A difference with its rule; none if nothing explains it. */
    record Explained(Difference difference, Optional<Rule> rule) { }

    private final Schema one;
    private final Schema other;
    /** The second script as it was read. */
    private final Schema raw;
    private final List<AdaptationNote> notes;
    private final Target engine;

    private EngineDifferences(Schema one, Schema other, Schema raw, List<AdaptationNote> notes, Target engine) {
        this.one = one;
        this.other = other;
        this.raw = raw;
        this.notes = notes;
        this.engine = engine;
    }

    /** The differences of two scripts, in the words of the second one's engine. */
    static List<Explained> of(String first, Target firstEngine, String second, Target secondEngine) {
        Dialect dialect = Dialect.of(secondEngine);
        Schema one = ScriptReader.read(first, firstEngine).schema();
        Schema other = ScriptReader.read(second, secondEngine).schema();
        Schema here = EngineSchema.of(one, firstEngine, dialect);
        Schema there = EngineSchema.of(other, secondEngine, dialect);
        Schema neutral = IsoNormalizer.of(one, Dialect.of(firstEngine));
        EngineDifferences rules = new EngineDifferences(neutral, IsoNormalizer.of(other, dialect), other,
                DialectAdapter.fit(neutral, dialect).findings(), secondEngine);
        return Comparison.of(EngineSchema.aligned(here, there, dialect), there, dialect, RenameMap.NONE).differences()
                .stream().map(difference -> new Explained(difference, rules.rule(difference))).toList();
    }

    private Optional<Rule> rule(Difference difference) {
        Optional<Rule> rule = switch (difference.part()) {
            case COLUMN -> column(difference);
            case TABLE -> switch (difference.aspect()) {
                case ORDER -> Optional.of(Rule.ORDER);
                case COMMENT -> Optional.of(Rule.COMMENTS);
                default -> unlessAlike(difference, table -> List.of(), Rule.THERE);
            };
            case CHECK -> difference.aspect() == Aspect.NAME ? Optional.of(Rule.NAMES)
                    : isStandIn(difference) ? Optional.of(Rule.STAND_INS)
                    : unlessAlike(difference, table -> table.checks().stream()
                            .map(check -> check.condition().canonical()).sorted().toList(), Rule.CHECKS);
            case PROGRAM -> only(difference, Schema::programs, Program::name, Rule.PROGRAMS);
            case SEQUENCE -> only(difference, Schema::sequences, Sequence::name, Rule.SEQUENCES);
            case PRIMARY_KEY, UNIQUE, INDEX -> difference.aspect() == Aspect.NAME ? Optional.of(Rule.NAMES)
                    : unlessAlike(difference, EngineDifferences::keys, key(difference))
                            .or(() -> Optional.of(Rule.REFERENCE_INDEXES).filter(any -> servesReference(difference)));
            case FOREIGN_KEY -> difference.aspect() == Aspect.NAME ? Optional.of(Rule.NAMES)
                    : unlessAlike(difference, table -> table.foreignKeys().stream().map(key -> lower(key.columns())
                            + " " + key.referencedTable().toLowerCase(Locale.ROOT) + " " + key.onDelete() + " "
                            + key.onUpdate()).sorted().toList(), Rule.REFERENCES);
            case TYPE -> Optional.empty();
        };
        return rule.or(() -> told(difference));
    }

    /** A rule where the two tables say something else by themselves, or only one is there. */
    private Optional<Rule> unlessAlike(Difference difference, Function<Table, Object> said, Rule rule) {
        Optional<Object> here = table(one, difference.table()).map(said);
        Optional<Object> there = table(other, difference.table()).map(said);
        return here.equals(there) ? Optional.empty() : Optional.of(rule);
    }

    /** A rule where only one of the schemas has something of a name. */
    private <T> Optional<Rule> only(Difference difference, Function<Schema, List<T>> all, Function<T, String> name,
            Rule rule) {
        boolean here = all.apply(one).stream().anyMatch(own -> name.apply(own).equalsIgnoreCase(difference.name()));
        boolean there = all.apply(other).stream().anyMatch(own -> name.apply(own).equalsIgnoreCase(difference.name()));
        return here == there ? Optional.empty() : Optional.of(rule);
    }

    /** The keys and indexes of a table, each with its form. */
    private static Object keys(Table table) {
        List<String> keys = new ArrayList<>();
        table.primaryKey().ifPresent(key -> keys.add("primary " + key.columns() + key.prefixes()));
        table.uniqueKeys().forEach(key -> keys.add("unique " + key.columns()));
        table.indexes().forEach(index -> keys.add("index " + index.unique() + index.columns() + index.predicate()));
        keys.replaceAll(key -> key.toLowerCase(Locale.ROOT));
        keys.sort(null);
        return keys;
    }

    /** What an engine cannot hold is told of the column, or of its table. */
    private Optional<Rule> told(Difference difference) {
        return notes.stream().anyMatch(note -> note.table().equalsIgnoreCase(difference.table())
                && note.element().equalsIgnoreCase(difference.name())) ? Optional.of(Rule.TOLD) : Optional.empty();
    }

    private boolean isStandIn(Difference difference) {
        String name = difference.name().toLowerCase(Locale.ROOT);
        return name.startsWith("ck_") && notes.stream().anyMatch(note -> !note.element().isEmpty()
                && name.contains(note.element().toLowerCase(Locale.ROOT)));
    }

    private Optional<Rule> column(Difference difference) {
        Optional<Column> here = column(one, difference);
        Optional<Column> there = column(other, difference);
        if (difference.aspect() == Aspect.PRESENCE) {
            return here.isPresent() != there.isPresent() ? Optional.of(Rule.THERE) : Optional.empty();
        }
        if (here.isEmpty() || there.isEmpty()) {
            return Optional.empty();
        }
        return switch (difference.aspect()) {
            case TYPE -> types(here.get(), there.get(), difference);
            case REQUIRED -> apart(here.get(), there.get(), this::required, Rule.REQUIRED);
            case DEFAULT -> apart(here.get(), there.get(),
                    column -> column.defaultValue().map(text -> text.text().toLowerCase(Locale.ROOT)), Rule.DEFAULTS);
            case IDENTITY -> apart(here.get(), there.get(),
                    column -> List.of(column.identity() == Identity.NONE, column.numbering()), Rule.NUMBERED);
            case COMMENT -> Optional.of(Rule.COMMENTS);
            case ON_CHANGE -> Optional.of(Rule.ON_CHANGE);
            case NAME -> Optional.of(Rule.NAMES);
            default -> Optional.empty();
        };
    }

    private boolean required(Column column) {
        return column.required();
    }

    private static Optional<Rule> apart(Column here, Column there, Function<Column, Object> said, Rule rule) {
        return said.apply(here).equals(said.apply(there)) ? Optional.empty() : Optional.of(rule);
    }

    private static Optional<Column> column(Schema schema, Difference difference) {
        return table(schema, difference.table()).flatMap(table -> table.columns().stream()
                .filter(column -> column.name().equalsIgnoreCase(difference.name())).findFirst());
    }

    private static Optional<Table> table(Schema schema, String name) {
        return schema.tables().stream().filter(table -> table.name().equalsIgnoreCase(name)).findFirst();
    }

    private enum Kind { TEXT, WHOLE, NUMBER, TRUTH, MOMENT, BYTES, LIST, OTHER }

    private static Kind kind(SqlType type) {
        return switch (type) {
            case SqlType.CharacterType text -> Kind.TEXT;
            case SqlType.IntegerType whole -> Kind.WHOLE;
            case SqlType.DecimalType number -> Kind.NUMBER;
            case SqlType.FloatType number -> Kind.NUMBER;
            case SqlType.BooleanType truth -> Kind.TRUTH;
            case SqlType.DateType day -> Kind.MOMENT;
            case SqlType.TimeType time -> Kind.MOMENT;
            case SqlType.TimestampType moment -> Kind.MOMENT;
            case SqlType.BinaryType bytes -> Kind.BYTES;
            case SqlType.EnumType values -> Kind.LIST;
            default -> Kind.OTHER;
        };
    }

    /** A type is another one already in ISO words, or nothing here explains it. */
    private Optional<Rule> types(Column one, Column other, Difference difference) {
        SqlType here = one.type();
        SqlType there = other.type();
        if (here.equals(there)) {
            SqlType held = Dialect.of(engine).held(there, false, LossReport.IGNORED);
            boolean own = !column(raw, difference).map(Column::type).orElse(held).equals(held);
            boolean numbers = one.identity() != Identity.NONE
                    && Dialect.of(engine).numbered() == TableFeatures.Numbered.PRIMARY_KEY;
            return own ? Optional.of(Rule.OWN_SIZES) : numbers ? Optional.of(Rule.NUMBERED) : Optional.empty();
        }
        Set<Kind> kinds = new HashSet<>(List.of(kind(here), kind(there)));
        return Optional.of(kinds.equals(Set.of(Kind.TEXT)) ? Rule.TEXTS
                : kinds.equals(Set.of(Kind.WHOLE)) ? Rule.WHOLE
                : kinds.equals(Set.of(Kind.MOMENT)) ? Rule.MOMENTS
                : kinds.equals(Set.of(Kind.BYTES)) ? Rule.BYTES
                : kinds.equals(Set.of(Kind.TEXT, Kind.BYTES)) ? Rule.TEXT_BYTES
                : kinds.equals(Set.of(Kind.TEXT, Kind.LIST)) ? Rule.LISTS
                : kinds.contains(Kind.TRUTH) ? Rule.TRUTH
                : kinds.contains(Kind.MOMENT) && (kinds.contains(Kind.WHOLE) || kinds.contains(Kind.NUMBER))
                        ? Rule.MOMENT_NUMBERS
                : kinds.contains(Kind.NUMBER) && (kinds.size() == 1 || kinds.contains(Kind.WHOLE)) ? Rule.NUMBERS
                : Rule.KINDS);
    }

    // keys

    private Rule key(Difference difference) {
        List<Set<String>> here = columns(one, difference);
        List<Set<String>> there = columns(other, difference);
        boolean both = here.stream().anyMatch(columns -> columns.equals(of(other, difference)))
                || there.stream().anyMatch(columns -> columns.equals(of(one, difference)));
        return both ? Rule.KEY_FORMS : servesReference(difference) ? Rule.REFERENCE_INDEXES : Rule.KEYS;
    }

    /** Whether an index is on the columns of a reference, for an engine that makes such indexes by itself. */
    private boolean servesReference(Difference difference) {
        Set<String> columns = of(difference.added() ? other : one, difference);
        return Dialect.of(engine).prefixIndexes() && Stream.of(one, other)
                .flatMap(schema -> table(schema, difference.table()).stream())
                .flatMap(table -> table.foreignKeys().stream()).anyMatch(key -> lower(key.columns()).equals(columns));
    }

    /** The columns of what a difference is about. */
    private static Set<String> of(Schema schema, Difference difference) {
        return table(schema, difference.table()).map(table -> {
            for (var index : table.indexes()) {
                if (index.name().equalsIgnoreCase(difference.name())) {
                    return lower(index.columns().stream().map(IndexColumn::name).toList());
                }
            }
            for (var key : table.uniqueKeys()) {
                if (key.name().equalsIgnoreCase(difference.name())) {
                    return lower(key.columns());
                }
            }
            return lower(table.keyColumns());
        }).orElse(Set.of());
    }

    private static List<Set<String>> columns(Schema schema, Difference difference) {
        List<Set<String>> all = new ArrayList<>();
        table(schema, difference.table()).ifPresent(table -> {
            table.primaryKey().ifPresent(key -> all.add(lower(key.columns())));
            table.uniqueKeys().forEach(key -> all.add(lower(key.columns())));
            table.indexes().forEach(index -> all.add(lower(index.columns().stream().map(IndexColumn::name).toList())));
        });
        return all;
    }

    private static Set<String> lower(List<String> names) {
        Set<String> lower = new HashSet<>();
        names.forEach(name -> lower.add(name.toLowerCase(Locale.ROOT)));
        return lower;
    }
}
