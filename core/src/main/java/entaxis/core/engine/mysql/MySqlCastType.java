package entaxis.core.engine.mysql;

import entaxis.core.type.SqlType;
import entaxis.core.type.TypeReader;
import entaxis.core.type.TypeReading;
import java.util.Locale;
import java.util.Set;

/** What CAST calls a type: it takes other names than columns do (MySQL manual, “Cast Functions and Operators”). */
final class MySqlCastType {
    private static final Set<String> TAKEN = Set.of("binary", "char", "date", "datetime", "decimal", "double", "float",
            "json", "nchar", "real", "signed", "time", "unsigned", "year");

    private MySqlCastType() { }

    static String of(String type) {
        String first = type.strip().toLowerCase(Locale.ROOT).split("[\\s(]", 2)[0];
        return TAKEN.contains(first) || !(TypeReader.read(type) instanceof TypeReading.Known(SqlType known)) ? type
                : switch (known) {
                    case SqlType.IntegerType whole -> whole.unsigned() ? "unsigned" : "signed";
                    case SqlType.BooleanType truth -> "signed";
                    case SqlType.DecimalType number -> number.text().replace("numeric", "decimal");
                    case SqlType.FloatType number -> "double";
                    case SqlType.TimestampType moment -> "datetime(6)";
                    case SqlType.DateType day -> "date";
                    case SqlType.TimeType time -> "time";
                    case SqlType.JsonType document -> "json";
                    case SqlType.BinaryType bytes -> "binary";
                    case SqlType.CharacterType text when text.length().isPresent() ->
                            "char(" + text.length().getAsInt() + ")";
                    default -> "char";
                };
    }
}
