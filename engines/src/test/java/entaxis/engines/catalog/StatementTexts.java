package entaxis.engines.catalog;

import entaxis.core.targets.Target;
import entaxis.core.token.Lexer;
import java.util.ArrayList;
import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * Cuts a script into statements for a driver, as simply as real scripts allow and independently of the reader that is
 * being tested.
 */
final class StatementTexts {
    private static final Pattern DELIMITER = Pattern.compile("(?i)^\\s*delimiter\\s+(\\S+).*");

    private static final Pattern TAG = Pattern.compile("\\$\\w*\\$");

    private StatementTexts() { }

    static List<String> of(String script, Target engine) {
        List<String> statements = new ArrayList<>();
        StringBuilder statement = new StringBuilder();
        String delimiter = ";";
        boolean quoted = false;
        String dollar = "";
        for (String line : script.split("\n", -1)) {
            if (!quoted && dollar.isEmpty() && DELIMITER.matcher(line).matches()) {
                delimiter = DELIMITER.matcher(line).replaceFirst("$1");
                continue;
            }
            if (!quoted && dollar.isEmpty() && (line.strip().startsWith("--")
                    || line.strip().startsWith("#") && engine == Target.MARIADB || line.strip().startsWith("\\"))) {
                continue;
            }
            String kept = quoted || !dollar.isEmpty() ? line : line.replaceFirst("(?<!')--\\s[^']*$", "");
            for (int i = 0; i < kept.length(); i++) {
                char c = kept.charAt(i);
                if (quoted && c == '\\' && engine == Target.MARIADB) {
                    statement.append(c).append(kept.charAt(++i));
                    continue;
                }
                quoted ^= dollar.isEmpty() && c == '\'';
                Matcher tag = TAG.matcher(kept).region(i, kept.length());
                if (!quoted && engine == Target.POSTGRESQL && tag.lookingAt()
                        && (dollar.isEmpty() || dollar.equals(tag.group()))) {
                    dollar = dollar.isEmpty() ? tag.group() : "";
                    statement.append(tag.group());
                    i = tag.end() - 1;
                    continue;
                }
                boolean body = engine == Target.SQLITE
                        && statement.toString().stripLeading().toLowerCase(java.util.Locale.ROOT)
                                .matches("(?s)create\\s+(temp\\s+)?trigger.*")
                        && !statement.toString().stripTrailing().toLowerCase(java.util.Locale.ROOT).endsWith("end");
                if (!quoted && dollar.isEmpty() && !body && kept.startsWith(delimiter, i)) {
                    statements.add(statement.toString());
                    statement.setLength(0);
                    i += delimiter.length() - 1;
                } else {
                    statement.append(c);
                }
            }
            statement.append('\n');
        }
        statements.add(statement.toString());
        return statements.stream()
                .filter(text -> !Lexer.tokens(text).isEmpty()).toList();
    }
}
