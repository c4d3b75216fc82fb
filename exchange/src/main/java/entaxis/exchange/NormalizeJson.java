package entaxis.exchange;

import entaxis.core.dependency.AttributeSet;
import entaxis.core.dependency.BoyceCoddDecomposition;
import entaxis.core.dependency.Decomposition;
import entaxis.core.dependency.Decomposition.Part;
import entaxis.core.dependency.Dependency;
import entaxis.core.dependency.Discovery;
import entaxis.core.dependency.MinimalCover;
import entaxis.core.dependency.PartNames;
import entaxis.core.dependency.Relation;
import entaxis.core.dependency.Rows;
import entaxis.core.dependency.Synthesis;
import entaxis.core.dependency.Verdict;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import tools.jackson.databind.SerializationFeature;
import tools.jackson.databind.json.JsonMapper;

/** What is found out about relations and rows, as JSON. */
public final class NormalizeJson {
    private static final JsonMapper MAPPER = JsonMapper.builder().enable(SerializationFeature.INDENT_OUTPUT).build();

    private NormalizeJson() { }

    /** Keys, normal form, faults and decompositions of relations. */
    public static String relations(List<Relation> relations) {
        return MAPPER.writeValueAsString(relations.stream().map(NormalizeJson::relation).toList());
    }

    private static Map<String, Object> relation(Relation relation) {
        Verdict verdict = Verdict.of(relation);
        Map<String, Object> all = new LinkedHashMap<>();
        all.put("name", relation.name());
        all.put("attributes", relation.attributes());
        all.put("candidateKeys", sets(relation, verdict.keys().keys()));
        if (verdict.keys().more()) {
            all.put("moreKeys", true);
        }
        all.put("primeAttributes", names(relation, verdict.keys().prime()));
        all.put("normalForm", verdict.form().sign());
        all.put("minimalCover", texts(relation, verdict.cover()));
        all.put("violations", verdict.violations().stream().map(violation -> {
            Map<String, Object> one = new LinkedHashMap<>();
            one.put("form", violation.form().sign());
            one.put("kind", violation.kind().word());
            one.put("dependency", relation.text(violation.dependency()));
            one.put("why", violation.why(relation));
            return one;
        }).toList());
        all.put("synthesis", decomposition(Synthesis.of(relation)));
        all.put("bcnf", decomposition(BoyceCoddDecomposition.of(relation)));
        return all;
    }

    private static Map<String, Object> decomposition(Decomposition decomposition) {
        Relation relation = decomposition.of();
        List<String> names = PartNames.of(decomposition);
        List<Map<String, Object>> parts = new ArrayList<>();
        for (int i = 0; i < decomposition.parts().size(); i++) {
            Part part = decomposition.parts().get(i);
            Map<String, Object> one = new LinkedHashMap<>();
            one.put("name", names.get(i));
            one.put("attributes", names(relation, part.attributes()));
            one.put("keys", sets(relation, part.keys()));
            one.put("dependencies", texts(relation, MinimalCover.joined(part.dependencies())));
            parts.add(one);
        }
        Map<String, Object> all = new LinkedHashMap<>();
        all.put("relations", parts);
        all.put("lossless", decomposition.lossless());
        all.put("lost", texts(relation, decomposition.lost()));
        return all;
    }

    /** The dependencies and keys that rows satisfy. */
    public static String discovery(Rows rows, Discovery discovery) {
        Relation relation = new Relation("", rows.columns(), List.of(), List.of());
        Map<String, Object> all = new LinkedHashMap<>();
        all.put("rows", rows.size());
        all.put("dependencies", discovery.dependencies().stream().map(dependency -> {
            Map<String, Object> one = new LinkedHashMap<>();
            one.put("determinant", names(relation, dependency.determinant()));
            one.put("dependent", names(relation, dependency.dependent()).getFirst());
            return one;
        }).toList());
        all.put("keys", sets(relation, discovery.keys()));
        return MAPPER.writeValueAsString(all);
    }

    private static List<String> names(Relation relation, AttributeSet set) {
        return set.members().stream().map(relation.attributes()::get).toList();
    }

    private static List<List<String>> sets(Relation relation, List<AttributeSet> sets) {
        return sets.stream().map(set -> names(relation, set)).toList();
    }

    private static List<String> texts(Relation relation, List<? extends Dependency> dependencies) {
        return dependencies.stream().map(relation::text).toList();
    }
}
