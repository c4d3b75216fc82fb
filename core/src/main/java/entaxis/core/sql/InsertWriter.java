package entaxis.core.sql;

import entaxis.core.derive.DerivedColumn;
import entaxis.core.derive.DerivedTable;
import entaxis.core.design.SampleRow;
import entaxis.core.expression.Expression;
import entaxis.core.type.SqlType.BooleanType;
import entaxis.core.type.SqlType.DecimalType;
import entaxis.core.type.SqlType.FloatType;
import entaxis.core.type.SqlType.IntegerType;
import entaxis.core.type.SqlType.UserType;
import entaxis.core.type.SqlType;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.regex.Pattern;

/**
 * Writes sample rows as INSERT statements. What was typed goes in as it is; whether it fits its column is for the
 * engine to say.
 */
public final class InsertWriter {
    private static final Pattern NUMBER = Pattern.compile("[+-]?\\d+(\\.\\d+)?([eE][+-]?\\d+)?");

    private final Dialect dialect;

    /** A writer for one engine. */
    public InsertWriter(Dialect dialect) {
        this.dialect = dialect;
    }

    /**
     * The INSERT for a row, in the names that the engine holds: columns left empty are left out, so that they take
     * their default; {@code ''} stands for an empty text, {@code null} for no value.
     */
    public String write(DerivedTable table, SampleRow row) {
        List<String> names = new ArrayList<>();
        List<String> values = new ArrayList<>();
        for (DerivedColumn column : table.columns()) {
            String typed = column.typed(row);
            if (!typed.isEmpty()) {
                names.add(dialect.name(dialect.stored(column.name())));
                values.add(literal(column.column().type(), typed));
            }
        }
        return "INSERT INTO " + dialect.name(dialect.stored(table.name()))
                + (names.isEmpty() ? " DEFAULT VALUES"
                        : " (" + String.join(", ", names) + ") VALUES (" + String.join(", ", values) + ")");
    }

    private String literal(SqlType type, String typed) {
        if (typed.equalsIgnoreCase("null")) {
            return "NULL";
        }
        if (typed.equals("''")) {
            return typed;
        }
        boolean bare = switch (type) {
            case IntegerType integer -> NUMBER.matcher(typed).matches();
            case DecimalType decimal -> NUMBER.matcher(typed).matches();
            case FloatType approximate -> NUMBER.matcher(typed).matches();
            case UserType named -> typed.toLowerCase(Locale.ROOT).startsWith("row(");
            case BooleanType truth -> typed.equalsIgnoreCase("true") || typed.equalsIgnoreCase("false");
            default -> false;
        };
        return bare ? dialect.expression(Expression.of(typed)).text() : dialect.literal(typed);
    }
}
