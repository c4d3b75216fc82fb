package entaxis.core.sql;

import entaxis.core.expression.Expression;
import entaxis.core.type.SqlType;
import java.util.Locale;

/** Whether a constant or moment is of the kind that a column holds, for engines that take no other default. */
final class DefaultKind {
    private DefaultKind() { }

    static boolean fits(Expression expression, SqlType type, LossReport loss) {
        String plain = expression.text().strip().toLowerCase(Locale.ROOT);
        boolean number = !plain.isEmpty() && plain.chars().allMatch(c -> c >= '0' && c <= '9' || c == '.' || c == '-');
        boolean zeroDate = plain.startsWith("'0000-00-00");
        boolean moment = Functions.kind(expression) == Functions.Kind.NOW || plain.equals("current_date");
        boolean fits = switch (type) {
            case SqlType.TimestampType moments when number || zeroDate -> false;
            case SqlType.DateType days when number || zeroDate -> false;
            case SqlType.DecimalType numbers when moment -> false;
            case SqlType.IntegerType numbers when moment -> false;
            case SqlType.FloatType numbers when moment -> false;
            default -> true;
        };
        if (!fits) {
            loss.say("its default " + expression + (moment ? " is no number" : " is no such moment")
                    + "; it is left out");
        }
        return fits;
    }
}
