package entaxis.core.reading;

import entaxis.core.schema.ProgramHead.RoutineHead;
import entaxis.core.schema.ProgramHead;
import entaxis.core.schema.Program;
import entaxis.core.schema.ProgramKind;
import entaxis.core.schema.QualifiedName;
import entaxis.core.schema.SecuredObject;
import entaxis.core.statement.ProgramName;
import entaxis.core.statement.ProgramStatement;
import entaxis.core.statement.ScriptStatement;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** Carries out statements on views, routines and triggers, which are kept as texts. */
final class ProgramChanges {
    private final SchemaBuilder builder;
    private final ReadingLog log;

    ProgramChanges(SchemaBuilder builder, ReadingLog log) {
        this.builder = builder;
        this.log = log;
    }

    /** Carries out a statement; false if it is stepped over. */
    boolean apply(ProgramStatement change, ScriptStatement statement) {
        switch (change) {
            case ProgramStatement.CreateProgram created -> {
                return create(created, statement);
            }
            case ProgramStatement.RenameView(QualifiedName before, String now) ->
                    Optional.ofNullable(builder.programs.remove(builder.key(before))).ifPresent(view -> builder.programs
                            .put(builder.key(new QualifiedName(before.namespace(), now)), view.named(now)));
            case ProgramStatement.DropPrograms dropped -> {
                List<String> keys =
                        dropped.names().stream().flatMap(name -> named(dropped.kind(), name).stream()).toList();
                List<Program> gone = keys.stream().map(builder.programs::remove).toList();
                if (dropped.cascade()) {
                    gone.forEach(builder::removeDependents);
                }
                if (keys.isEmpty()) {
                    log.steppedOver(statement.start(), "drop of what is not there");
                    return false;
                }
            }
        }
        return true;
    }

    private boolean create(ProgramStatement.CreateProgram created, ScriptStatement statement) {
        ProgramKind kind = created.kind();
        QualifiedName name = created.name();
        if (kind == ProgramKind.VIEW && builder.table(name).isPresent()) {
            if (created.onlyIfAbsent()) {
                log.steppedOver(statement.start(), "table that is there already");
                return false;
            }
            // views and tables share their names in every engine (ISO/IEC 9075-2, 5.4: they are tables both)
            throw new ConflictException(created.place(), "a table " + name.name() + " is there already");
        }
        String key = kind == ProgramKind.VIEW ? builder.key(name)
                : builder.key(name) + "\u0000" + kind + (created.body() ? "\u0000body" : "")
                        + apart(created.head());
        Program known = builder.programs.get(key);
        builder.programs.put(key, known != null ? known.worded(created.text())
                : new Program(kind, builder.placed(name), name.name(), builder.syntax.engine(), created.text(),
                        List.of(), builder.grants.usual(SecuredObject.of(kind))));
        created.head().belongsTo().ifPresent(table -> builder.belongsTo.put(key, builder.key(table)));
        return true;
    }

    /** What tells a routine, trigger or rule from others of its name. */
    private String apart(ProgramHead head) {
        boolean within = builder.dialect.triggersWithinTable();
        return head instanceof RoutineHead(String parameters) ? signature(parameters)
                : head.belongsTo().filter(table -> within).map(this::onTable).orElse("");
    }

    private String signature(String parameters) {
        return builder.dialect.routineSignature(parameters).map(types -> "\u0000(" + types).orElse("");
    }

    private String onTable(QualifiedName table) {
        return "\u0000on " + builder.key(table);
    }

    /** The keys of the views, routines or triggers that are named. */
    List<String> named(ProgramKind kind, ProgramName name) {
        String end = name.table().isEmpty() ? name.parameters().map(this::signature).orElse("")
                : builder.dialect.triggersWithinTable() ? onTable(name.table().get()) : "";
        String begin = builder.key(name.name());
        return builder.programs.entrySet().stream().filter(entry -> entry.getValue().kind() == kind)
                .map(Map.Entry::getKey)
                .filter(key -> key.equals(begin) || key.startsWith(begin + "\u0000") && key.endsWith(end)).toList();
    }
}
