package entaxis.core.migration;

import entaxis.core.reconcile.Risk;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/**
 * Joins what is changed of one table into one ALTER TABLE, where each copies the table (MySQL manual, “Online DDL
 * Operations”).
 */
final class OneStatement {
    private final List<Step> steps;

    OneStatement(List<Step> steps) {
        this.steps = steps;
    }

    List<Step> joined() {
        List<Step> result = new ArrayList<>();
        Map<String, List<Step>> byTable = new LinkedHashMap<>();
        for (Step step : steps) {
            if (step.stage() == Stage.COLUMNS) {
                byTable.computeIfAbsent(head(step.statements().getFirst()), any -> new ArrayList<>()).add(step);
            }
        }
        boolean done = false;
        for (Step step : steps) {
            if (step.stage() != Stage.COLUMNS) {
                result.add(step);
            } else if (!done) {
                byTable.forEach((head, own) -> result.addAll(joined(head, own)));
                done = true;
            }
        }
        return result;
    }

    private static String head(String statement) {
        int end = statement.indexOf(' ', "ALTER TABLE ".length());
        boolean quoted = statement.startsWith("ALTER TABLE `");
        if (quoted) {
            end = statement.indexOf("` ", "ALTER TABLE `".length()) + 1;
        }
        return statement.startsWith("ALTER TABLE ") ? statement.substring(0, end) : "";
    }

    private List<Step> joined(String head, List<Step> own) {
        List<Step> result = new ArrayList<>();
        List<Step> run = new ArrayList<>();
        for (Step step : own) {
            boolean joins = !head.isEmpty()
                    && step.statements().stream().allMatch(statement -> statement.startsWith(head + " "));
            if (joins) {
                run.add(step);
            } else {
                flush(head, run, result);
                result.add(step);
            }
        }
        flush(head, run, result);
        return result;
    }

    private static void flush(String head, List<Step> run, List<Step> result) {
        if (run.size() < 2 && run.stream().allMatch(step -> step.statements().size() == 1)) {
            result.addAll(run);
            run.clear();
            return;
        }
        List<String> clauses = run.stream().flatMap(step -> step.statements().stream())
                .map(statement -> statement.substring(head.length() + 1).strip()).toList();
        Risk risk = run.stream().map(Step::risk).reduce(Risk.SAFE, Risk::or);
        List<Question> questions = run.stream().flatMap(step -> step.questions().stream()).distinct().toList();
        String what = run.stream().map(Step::what).reduce((one, other) -> one + "; "
                + other.substring(0, 1).toLowerCase(java.util.Locale.ROOT) + other.substring(1)).orElse("");
        String advice = run.stream().map(Step::advice).filter(text -> !text.isEmpty()).distinct()
                .reduce((one, other) -> one + " " + other).orElse("");
        result.add(new Step(Stage.COLUMNS, run.getFirst().table(), risk, what,
                List.of(head + "\n    " + String.join(",\n    ", clauses)), questions, advice,
                run.stream().allMatch(Step::wayBack)));
        run.clear();
    }
}
