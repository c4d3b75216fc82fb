package entaxis.core.reading;

import entaxis.core.schema.Grant;
import entaxis.core.schema.Program;
import entaxis.core.schema.SecuredObject;
import entaxis.core.schema.Sequence;
import entaxis.core.schema.Table;
import entaxis.core.schema.TypeDefinition;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;

/** Who may use what a script has made so far. */
final class GrantBook {
    private final SchemaBuilder builder;
    private final Map<Holder, String> owners = new HashMap<>();
    /** Whether the script says who may use what. */
    private boolean told;
    private boolean defaultsChanged;

    /** What privileges are granted on: its kind, and its key among those of the kind. */
    record Holder(SecuredObject kind, String key) { }

    GrantBook(SchemaBuilder builder) {
        this.builder = builder;
    }

    /** Says that what is made from here on may be used by others than usual. */
    void changeDefaults() {
        defaultsChanged = true;
    }

    /** Who may use a new object; empty where that is not known. */
    Optional<List<Grant>> usual(SecuredObject kind) {
        return defaultsChanged ? Optional.empty() : builder.dialect.usualGrants(kind);
    }

    /** Whether there is such an object, of which is kept who may use it: a sequence of a column is a part of it. */
    boolean holds(Holder holder) {
        return switch (holder.kind()) {
            case TABLE -> builder.tableOf(holder.key()).isPresent() || builder.programs.containsKey(holder.key());
            case SEQUENCE -> sequence(holder.key()).filter(own -> own.column().isEmpty()).isPresent();
            case TYPE -> builder.types.containsKey(holder.key());
            case ROUTINE -> builder.programs.containsKey(holder.key());
            case NONE -> false;
        };
    }

    private Optional<SchemaBuilder.ReadSequence> sequence(String key) {
        return Optional.ofNullable(builder.sequences.get(key));
    }

    /** Whether a name without a kind means a sequence. */
    boolean isSequence(String key) {
        return builder.sequences.containsKey(key) && !holds(new Holder(SecuredObject.TABLE, key));
    }

    /** All objects of a kind in a schema so far. */
    List<Holder> all(SecuredObject kind, String schema) {
        String home = builder.home(schema);
        Stream<String> keys = switch (kind) {
            case TABLE -> Stream.concat(builder.tablesIn(home), programs(kind, home));
            case SEQUENCE -> builder.sequences.entrySet().stream()
                    .filter(entry -> builder.home(entry.getValue().name().namespace()).equals(home))
                    .map(Map.Entry::getKey);
            case ROUTINE -> programs(kind, home);
            case TYPE, NONE -> Stream.of();
        };
        return keys.map(key -> new Holder(kind, key)).filter(this::holds).toList();
    }

    private Stream<String> programs(SecuredObject kind, String home) {
        return builder.programs.entrySet().stream()
                .filter(entry -> SecuredObject.of(entry.getValue().kind()) == kind
                        && builder.home(entry.getValue().namespace()).equals(home))
                .map(Map.Entry::getKey);
    }

    /** Who may use an object; empty where that is not known. */
    Optional<List<Grant>> of(Holder holder) {
        return switch (holder.kind()) {
            case TABLE -> builder.tableOf(holder.key()).map(table -> table.grants)
                    .orElseGet(() -> program(holder.key()));
            case SEQUENCE -> sequence(holder.key()).flatMap(SchemaBuilder.ReadSequence::grants);
            case TYPE -> Optional.ofNullable(builder.types.get(holder.key())).flatMap(TypeDefinition::grants);
            case ROUTINE -> program(holder.key());
            case NONE -> Optional.empty();
        };
    }

    private Optional<List<Grant>> program(String key) {
        return Optional.ofNullable(builder.programs.get(key)).flatMap(Program::grants);
    }

    /** Says who may use an object. */
    void put(Holder holder, List<Grant> grants) {
        told = true;
        Optional<List<Grant>> now = Optional.of(List.copyOf(grants));
        switch (holder.kind()) {
            case TABLE -> builder.tableOf(holder.key()).ifPresentOrElse(table -> table.grants = now,
                    () -> builder.programs.computeIfPresent(holder.key(), (key, own) -> own.withGrants(now)));
            case SEQUENCE -> builder.sequences.computeIfPresent(holder.key(), (key, own) -> own.granted(now));
            case TYPE -> builder.types.computeIfPresent(holder.key(), (key, own) -> own.withGrants(now));
            case ROUTINE -> builder.programs.computeIfPresent(holder.key(), (key, own) -> own.withGrants(now));
            case NONE -> { }
        }
    }

    /** Gives an object an owner, who may do everything without being told. */
    void own(Holder holder, String role) {
        owners.put(holder, role);
    }

    /** Whether a role owns an object, as far as the script says so. */
    boolean isOwner(Holder holder, String role) {
        return role.equals(owners.get(holder));
    }

    // what is told at the end: of a script that says nothing of privileges, nothing is known

    Table told(Table table) {
        return told || table.grants().isEmpty() ? table : table.withGrants(Optional.empty());
    }

    Sequence told(Sequence sequence) {
        return told || sequence.grants().isEmpty() ? sequence : sequence.withGrants(Optional.empty());
    }

    TypeDefinition told(TypeDefinition type) {
        return told || type.grants().isEmpty() ? type : type.withGrants(Optional.empty());
    }

    Program told(Program program) {
        return told || program.grants().isEmpty() ? program : program.withGrants(Optional.empty());
    }
}
