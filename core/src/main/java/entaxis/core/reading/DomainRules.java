package entaxis.core.reading;

import entaxis.core.expression.Conjunction;
import entaxis.core.schema.CheckRule;
import entaxis.core.schema.TypeDefinition.DomainDefinition;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/**
 * The rules of domains one by one, because statements add, rename and drop each by its name; a domain itself holds all
 * of them as one.
 */
final class DomainRules {
    private final boolean exact;
    private final Map<String, List<CheckRule>> rules = new HashMap<>();
    private final Set<String> required = new HashSet<>();

    /**
     * For an engine.
     *
     * @param exact whether names that differ in the case of letters are two
     */
    DomainRules(boolean exact) {
        this.exact = exact;
    }

    /** Begins a domain that has no rule yet. */
    void begin(String domain) {
        rules.put(domain, new ArrayList<>(1));
        required.remove(domain);
    }

    /** Lets a domain refuse null, or not. */
    void require(String domain, boolean refuses) {
        if (refuses) {
            required.add(domain);
        } else {
            required.remove(domain);
        }
    }

    /** Takes the rules of a domain over to its new name. */
    void move(String domain, String now) {
        rules.put(now, of(domain));
        rules.remove(domain);
        if (required.remove(domain)) {
            required.add(now);
        }
    }

    private List<CheckRule> of(String domain) {
        return rules.getOrDefault(domain, new ArrayList<>());
    }

    /**
     * Adds a rule; one that is named as another gets a number behind its name (PostgreSQL source,
     * ChooseConstraintName).
     */
    void add(String domain, CheckRule rule) {
        List<CheckRule> all = rules.computeIfAbsent(domain, key -> new ArrayList<>(1));
        String name = rule.name();
        for (int number = 1; !rule.name().isEmpty() && named(all, name).isPresent(); number++) {
            name = rule.name() + number;
        }
        all.add(rule.named(name));
    }

    /** Names a rule otherwise, if there is one of that name. */
    void rename(String domain, String before, String now) {
        of(domain).replaceAll(rule -> same(rule.name(), before) ? rule.named(now) : rule);
    }

    /** Takes a rule away; the only one also under another name, which the engine may have made up. */
    void drop(String domain, String name) {
        List<CheckRule> all = of(domain);
        boolean gone = all.removeIf(rule -> same(rule.name(), name));
        if (!gone && all.size() == 1 && all.getFirst().name().isEmpty()) {
            all.clear();
        }
    }

    /** All rules of a domain as one, under the name of the first. */
    Optional<CheckRule> all(String domain) {
        List<CheckRule> all = of(domain);
        return all.isEmpty() ? Optional.empty() : Optional.of(new CheckRule(all.getFirst().name(),
                Conjunction.of(all.stream().map(CheckRule::condition).toList())));
    }

    /** A domain with all its rules. */
    DomainDefinition put(String key, DomainDefinition domain) {
        return domain.withRequired(required.contains(key)).ruled(all(key));
    }

    private Optional<CheckRule> named(List<CheckRule> all, String name) {
        return all.stream().filter(rule -> same(rule.name(), name)).findFirst();
    }

    private boolean same(String one, String other) {
        return exact ? one.equals(other) : one.equalsIgnoreCase(other);
    }
}
