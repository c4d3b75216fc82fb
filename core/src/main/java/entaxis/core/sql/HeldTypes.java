package entaxis.core.sql;

import entaxis.core.type.SqlType.CharacterType;
import entaxis.core.type.SqlType.DecimalType;
import entaxis.core.type.SqlType.EnumType;
import entaxis.core.type.SqlType.Form;
import entaxis.core.type.SqlType.IntegerSize;
import entaxis.core.type.SqlType.IntegerType;
import entaxis.core.type.SqlType;
import java.util.OptionalInt;

/** Types by which engines hold others that they do not have. */
public final class HeldTypes {
    private HeldTypes() { }

    /** The signed type that holds all values of an unsigned one. */
    public static SqlType signedFor(IntegerType type) {
        return switch (type.size()) {
            case TINYINT -> new IntegerType(IntegerSize.SMALLINT, false);
            case SMALLINT -> new IntegerType(IntegerSize.INTEGER, false);
            case INTEGER -> new IntegerType(IntegerSize.BIGINT, false);
            case BIGINT -> decimal(20, 0);
        };
    }

    /** An exact number. */
    public static DecimalType decimal(int precision, int scale) {
        return new DecimalType(OptionalInt.of(precision), OptionalInt.of(scale));
    }

    /** A decimal type with both numbers given and within the engine's bounds. */
    public static DecimalType bounded(DecimalType type, int maxPrecision, int maxScale, LossReport loss) {
        if (type.precision().isEmpty()) {
            loss.say("any number of digits becomes " + maxPrecision + " digits, " + Math.min(10, maxScale)
                    + " of them decimals");
            return decimal(maxPrecision, Math.min(10, maxScale));
        }
        int precision = type.precision().getAsInt();
        int scale = type.scale().orElse(0);
        if (precision > maxPrecision || scale > maxScale) {
            loss.say("numbers have at most " + maxPrecision + " digits and " + maxScale + " decimals");
        }
        return decimal(Math.min(precision, maxPrecision), Math.min(scale, Math.min(maxScale, maxPrecision)));
    }

    /** A text of up to so many characters. */
    public static CharacterType text(int length) {
        return new CharacterType(Form.VARYING, OptionalInt.of(length));
    }

    /** A text of so many characters. */
    public static CharacterType fixed(int length) {
        return new CharacterType(Form.FIXED, OptionalInt.of(length));
    }


    /** A listed value as a text that is long enough for every value. */
    public static SqlType longEnough(EnumType listed) {
        return text(Math.max(1,
                listed.values().stream().mapToInt(value -> value.codePointCount(0, value.length())).max().orElse(1)));
    }
}
