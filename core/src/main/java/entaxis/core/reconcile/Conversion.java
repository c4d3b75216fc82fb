package entaxis.core.reconcile;

import entaxis.core.schema.TypeDefinition.DomainDefinition;
import entaxis.core.schema.TypeDefinition;
import entaxis.core.sql.Dialect;
import entaxis.core.type.SqlType.ArrayType;
import entaxis.core.type.SqlType.BinaryType;
import entaxis.core.type.SqlType.BooleanType;
import entaxis.core.type.SqlType.CharacterType;
import entaxis.core.type.SqlType.DateType;
import entaxis.core.type.SqlType.DecimalType;
import entaxis.core.type.SqlType.EnumType;
import entaxis.core.type.SqlType.FloatType;
import entaxis.core.type.SqlType.Form;
import entaxis.core.type.SqlType.IntegerSize;
import entaxis.core.type.SqlType.IntegerType;
import entaxis.core.type.SqlType.IntervalType;
import entaxis.core.type.SqlType.JsonType;
import entaxis.core.type.SqlType.NativeType;
import entaxis.core.type.SqlType.TimeType;
import entaxis.core.type.SqlType.TimestampType;
import entaxis.core.type.SqlType.UserType;
import entaxis.core.type.SqlType.UuidType;
import entaxis.core.type.SqlType;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;

/** What becomes of values whose column gets another type. */
public enum Conversion {
    /** Every value stays as it is, and is not even rewritten. */
    NONE,
    /** Every value stays as it is. */
    WIDENS,
    /** Values that do not fit the new type are refused. */
    REFUSES,
    /** Part of a value may be cut away without a word. */
    CUTS,
    /** The engine has no way from one type to the other; the values are gone. */
    IMPOSSIBLE;

    private static final int UNLIMITED = Integer.MAX_VALUE;

    private enum Family { TEXT, NUMBER, BOOLEAN, MOMENT, BINARY, UUID, JSON, INTERVAL, LISTED, OTHER }

    /** What becomes of values of a type in another one, in an engine. */
    public static Conversion of(SqlType from, SqlType to, Dialect dialect) {
        if (from.equals(to)) {
            return NONE;
        }
        return !dialect.holdsTypes() && !family(from).equals(Family.OTHER) ? NONE : switch (family(from)) {
            case TEXT -> ofText(from, to, dialect);
            case NUMBER -> ofNumber(from, to, dialect);
            case MOMENT -> ofMoment(from, to);
            case LISTED -> ofListed(from, to);
            case BINARY -> family(to) == Family.BINARY ? length(to) >= length(from) ? WIDENS : REFUSES : IMPOSSIBLE;
            case BOOLEAN, UUID, JSON, INTERVAL ->
                    family(to) == Family.TEXT ? length(to) >= 100 ? WIDENS : REFUSES : IMPOSSIBLE;
            case OTHER -> from instanceof UserType && to instanceof UserType ? REFUSES
                    : from instanceof UserType || to instanceof UserType ? REFUSES : IMPOSSIBLE;
        };
    }

    /**
     * What becomes of values in another type, where both may be domains of their schema: a domain holds the values of
     * its base that its rules let in.
     */
    public static Conversion of(SqlType from, List<TypeDefinition> had, SqlType to, List<TypeDefinition> has,
            Dialect dialect) {
        Optional<DomainDefinition> old = domain(from, had);
        Optional<DomainDefinition> now = domain(to, has);
        if (old.isEmpty() && now.isEmpty() || old.equals(now)) {
            return of(from, to, dialect);
        }
        Conversion plain = of(old.map(DomainDefinition::base).orElse(from), now.map(DomainDefinition::base).orElse(to),
                dialect);
        boolean ruled = now.filter(one -> one.check().isPresent() || one.required()).isPresent();
        return ruled && plain.compareTo(REFUSES) < 0 ? REFUSES : plain;
    }

    private static Optional<DomainDefinition> domain(SqlType type, List<TypeDefinition> types) {
        return types.stream().filter(one -> one instanceof DomainDefinition && type.equals(one.type()))
                .map(DomainDefinition.class::cast).findFirst();
    }

    /**
     * Whether both types hold values of one kind, so that a constant, a comparison or a reference of one stands for the
     * other.
     */
    public static boolean alike(SqlType from, SqlType to) {
        return family(from) == family(to) && family(from) != Family.OTHER && family(from) != Family.LISTED
                && (family(from) != Family.MOMENT || from.getClass() == to.getClass() && zoned(from) == zoned(to))
                && (family(from) != Family.NUMBER || exact(from) == exact(to));
    }

    private static boolean exact(SqlType type) {
        return !(type instanceof FloatType);
    }

    private static boolean zoned(SqlType type) {
        return type instanceof TimestampType moment && moment.withTimeZone()
                || type instanceof TimeType time && time.withTimeZone();
    }

    private static Family family(SqlType type) {
        return switch (type) {
            case CharacterType text -> Family.TEXT;
            case IntegerType number -> Family.NUMBER;
            case DecimalType number -> Family.NUMBER;
            case FloatType number -> Family.NUMBER;
            case BooleanType truth -> Family.BOOLEAN;
            case DateType moment -> Family.MOMENT;
            case TimeType moment -> Family.MOMENT;
            case TimestampType moment -> Family.MOMENT;
            case BinaryType bytes -> Family.BINARY;
            case UuidType uuid -> Family.UUID;
            case JsonType json -> Family.JSON;
            case IntervalType interval -> Family.INTERVAL;
            case EnumType listed -> Family.LISTED;
            case NativeType other -> Family.OTHER;
            case ArrayType other -> Family.OTHER;
            case UserType other -> Family.OTHER;
            case SqlType.DesignType other -> Family.OTHER;
        };
    }

    private static int length(SqlType type) {
        return switch (type) {
            case CharacterType(Form form, var length) ->
                    form == Form.LARGE ? UNLIMITED : length.orElse(form == Form.FIXED ? 1 : UNLIMITED);
            case BinaryType(Form form, var length) ->
                    form == Form.LARGE ? UNLIMITED : length.orElse(form == Form.FIXED ? 1 : UNLIMITED);
            default -> UNLIMITED;
        };
    }

    private static boolean fixed(SqlType type) {
        return type instanceof CharacterType(Form form, var length) && form == Form.FIXED;
    }

    private static Conversion ofText(SqlType from, SqlType to, Dialect dialect) {
        if (family(to) == Family.TEXT) {
            boolean plain = !fixed(from) && !fixed(to);
            return length(to) >= length(from) ? plain ? NONE : WIDENS : REFUSES;
        }
        return switch (family(to)) {
            case BINARY, INTERVAL, JSON -> IMPOSSIBLE;
            case OTHER -> dialect.castsTextToAnyType() ? REFUSES : IMPOSSIBLE;
            default -> REFUSES;
        };
    }

    /** Digits before the point that a number can have; those behind it. */
    private static int whole(SqlType type) {
        return switch (type) {
            case IntegerType(IntegerSize size, boolean unsigned) -> switch (size) {
                case TINYINT -> 3;
                case SMALLINT -> 5;
                case INTEGER -> 10;
                case BIGINT -> unsigned ? 20 : 19;
            };
            case DecimalType(var precision, var scale) ->
                    precision.isEmpty() ? UNLIMITED : precision.getAsInt() - scale.orElse(0);
            default -> UNLIMITED;
        };
    }

    private static int behind(SqlType type) {
        return switch (type) {
            case IntegerType integer -> 0;
            case DecimalType(var precision, var scale) -> precision.isEmpty() ? UNLIMITED : scale.orElse(0);
            default -> UNLIMITED;
        };
    }

    private static Conversion ofNumber(SqlType from, SqlType to, Dialect dialect) {
        if (family(to) == Family.TEXT) {
            boolean fits = length(to) >= 60 || from instanceof IntegerType && length(to) > whole(from);
            return fits ? WIDENS : REFUSES;
        }
        if (family(to) == Family.BOOLEAN && dialect.truthAsNumbers()) {
            return CUTS;
        }
        if (family(to) != Family.NUMBER) {
            return IMPOSSIBLE;
        }
        if (from instanceof IntegerType one && to instanceof IntegerType other) {
            boolean signed =
                    one.unsigned() == other.unsigned() || one.unsigned() && other.size().compareTo(one.size()) > 0;
            return signed && other.size().compareTo(one.size()) >= 0 ? WIDENS : REFUSES;
        }
        if (to instanceof FloatType(boolean big)) {
            return from instanceof FloatType || from instanceof IntegerType(IntegerSize size, boolean unsigned) && big
                    && size != IntegerSize.BIGINT ? big ? WIDENS : CUTS : CUTS;
        }
        if (behind(from) > behind(to)) {
            return CUTS;
        }
        return whole(to) >= whole(from) ? WIDENS : REFUSES;
    }

    private static int fraction(SqlType type) {
        return switch (type) {
            case TimestampType(var precision, boolean zone) -> precision.orElse(6);
            case TimeType(var precision, boolean zone) -> precision.orElse(0);
            default -> 0;
        };
    }

    private static Conversion ofMoment(SqlType from, SqlType to) {
        if (family(to) == Family.TEXT) {
            return length(to) >= 40 ? WIDENS : REFUSES;
        }
        if (family(to) != Family.MOMENT || from instanceof DateType && to instanceof TimeType
                || from instanceof TimeType && !(to instanceof TimeType)) {
            return IMPOSSIBLE;
        }
        if (from.getClass() != to.getClass()) {
            return from instanceof DateType ? WIDENS : CUTS;
        }
        return fraction(to) < fraction(from) || zoned(from) && !zoned(to) ? CUTS : WIDENS;
    }

    private static Conversion ofListed(SqlType from, SqlType to) {
        if (from instanceof EnumType(List<String> values) && to instanceof EnumType(List<String> others)) {
            return new HashSet<>(others).containsAll(values) ? WIDENS : REFUSES;
        }
        return family(to) == Family.TEXT ? WIDENS : IMPOSSIBLE;
    }

    /** The risk of such a change. */
    public Risk risk() {
        return switch (this) {
            case NONE -> Risk.SAFE;
            case WIDENS -> Risk.SLOW;
            case REFUSES -> Risk.MAY_FAIL;
            case CUTS, IMPOSSIBLE -> Risk.LOSES_DATA;
        };
    }
}
