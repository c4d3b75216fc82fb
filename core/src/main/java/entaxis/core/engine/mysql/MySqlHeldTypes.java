package entaxis.core.engine.mysql;

import static entaxis.core.sql.HeldTypes.bounded;
import static entaxis.core.sql.HeldTypes.decimal;
import static entaxis.core.sql.HeldTypes.fixed;
import static entaxis.core.sql.HeldTypes.text;

import entaxis.core.sql.Dialect;
import entaxis.core.sql.ForeignTypes;
import entaxis.core.sql.LossReport;
import entaxis.core.type.SqlType.ArrayType;
import entaxis.core.type.SqlType.BinaryType;
import entaxis.core.type.SqlType.CharacterType;
import entaxis.core.type.SqlType.DecimalType;
import entaxis.core.type.SqlType.Form;
import entaxis.core.type.SqlType.IntervalType;
import entaxis.core.type.SqlType.JsonType;
import entaxis.core.type.SqlType.NativeType;
import entaxis.core.type.SqlType.TimeType;
import entaxis.core.type.SqlType.TimestampType;
import entaxis.core.type.SqlType.UuidType;
import entaxis.core.type.SqlType;
import java.util.List;
import java.util.OptionalInt;

/** The types that MySQL has, for those of ISO SQL. */
record MySqlHeldTypes(Dialect dialect) {
    private static final int MAX_FIXED = 255;
    private static final int MAX_KEY_VARCHAR = 255;
    private static final int MAX_VARCHAR = 16_000;
    /** Types that no other engine has. MySQL manual, chapter “Data Types”. */
    private static final List<String> OWN = List.of("mediumint", "year", "set", "bit", "tinytext", "text", "mediumtext",
            "tinyblob", "blob", "mediumblob", "geometry", "point",
            "linestring", "polygon", "multipoint", "multilinestring", "multipolygon", "geometrycollection", "float",
            "double");

    /** MySQL manual, “Data Types”: fractions of a second have to be asked for, keys hold short texts only. */
    SqlType held(SqlType type, boolean keyed, LossReport loss) {
        return switch (type) {
            case CharacterType(Form form, OptionalInt length) when form == Form.FIXED
                    && length.orElse(1) <= MAX_FIXED -> fixed(length.orElse(1));
            case CharacterType(Form form, OptionalInt length) when keyed
                    && (form == Form.LARGE || length.orElse(Integer.MAX_VALUE) > 3 * MAX_KEY_VARCHAR) -> {
                loss.say("a key holds at most " + MAX_KEY_VARCHAR + " characters");
                yield text(MAX_KEY_VARCHAR);
            }
            case CharacterType(Form form, OptionalInt length) when form != Form.LARGE
                    && length.orElse(Integer.MAX_VALUE) <= MAX_VARCHAR -> text(length.getAsInt());
            case CharacterType(Form form, OptionalInt length) -> {
                if (length.isPresent()) {
                    loss.say("lengths over " + MAX_VARCHAR + " become text without a limit of its own");
                }
                yield SqlType.largeText();
            }
            case BinaryType(Form form, OptionalInt length) when form == Form.FIXED && length.orElse(1) <= MAX_FIXED ->
                    new BinaryType(form, OptionalInt.of(length.orElse(1)));
            case BinaryType(Form form, OptionalInt length) when keyed
                    && (form == Form.LARGE || length.orElse(Integer.MAX_VALUE) > 3072) -> {
                loss.say("a key holds at most " + MAX_KEY_VARCHAR + " bytes here");
                yield new BinaryType(Form.VARYING, OptionalInt.of(MAX_KEY_VARCHAR));
            }
            case BinaryType(Form form, OptionalInt length) when form != Form.LARGE
                    && length.orElse(Integer.MAX_VALUE) <= MAX_VARCHAR -> new BinaryType(Form.VARYING, length);
            case BinaryType binary -> new BinaryType(Form.LARGE, OptionalInt.empty());
            case DecimalType decimal -> bounded(decimal, decimal.precision().isEmpty() ? 38 : 65, 30, loss);
            case TimeType(OptionalInt precision, boolean zone) -> {
                if (zone) {
                    loss.say("a time of day has no time zone");
                }
                yield new TimeType(OptionalInt.of(Math.min(6, precision.orElse(0))), false);
            }
            case TimestampType(OptionalInt precision, boolean zone) -> {
                if (zone) {
                    loss.limit("timestamp ends in 2038 and keeps the moment, not the zone");
                }
                yield new TimestampType(OptionalInt.of(Math.min(6, precision.orElse(6))), zone);
            }
            case IntervalType interval -> {
                loss.say("a span of time is held as text, unchecked");
                yield text(60);
            }
            case UuidType uuid -> {
                loss.say("36 characters hold an identifier, unchecked");
                yield fixed(36);
            }
            case ArrayType array -> dialect.asDocument(array, keyed, loss);
            case JsonType json when keyed -> text(MAX_KEY_VARCHAR);
            case NativeType(String spelling) ->
                    ForeignTypes.among(OWN, spelling) ? type
                            : dialect.held(ForeignTypes.nearest(spelling), keyed, loss);
            default -> type;
        };
    }
}
