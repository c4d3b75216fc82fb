package entaxis.core.sql;

import static entaxis.core.sql.HeldTypes.decimal;
import static entaxis.core.sql.HeldTypes.fixed;
import static entaxis.core.sql.HeldTypes.text;

import entaxis.core.type.SqlType.BinaryType;
import entaxis.core.type.SqlType.CharacterType;
import entaxis.core.type.SqlType.DecimalType;
import entaxis.core.type.SqlType.FloatType;
import entaxis.core.type.SqlType.Form;
import entaxis.core.type.SqlType.IntegerSize;
import entaxis.core.type.SqlType.IntegerType;
import entaxis.core.type.SqlType.JsonType;
import entaxis.core.type.SqlType.TimestampType;
import entaxis.core.type.SqlType;
import entaxis.core.type.TypeSpelling;
import java.util.List;
import java.util.Locale;
import java.util.OptionalInt;

/**
 * Types that only one engine has, and the ISO type that comes nearest: sizes from the engines' manuals (PostgreSQL 8,
 * MySQL 11, SQL Server “Data types”, Oracle “Data Types”).
 */
public final class ForeignTypes {
    private ForeignTypes() { }

    /** The nearest ISO type. */
    public static SqlType nearest(String spelled) {
        TypeSpelling type = SpelledTypes.cut(spelled);
        OptionalInt first = type.number(0);
        return switch (type.name()) {
            case "jsonb" -> new JsonType();
            case "inet", "cidr" -> text(43);
            case "macaddr", "macaddr8" -> text(23);
            case "interval" -> new SqlType.IntervalType(SqlType.IntervalField.DAY,
                    java.util.Optional.of(SqlType.IntervalField.SECOND));
            case "money" -> decimal(19, 4);
            case "smallmoney" -> decimal(10, 4);
            case "mediumint" -> new IntegerType(IntegerSize.INTEGER, type.unsigned());
            case "year" -> new IntegerType(IntegerSize.SMALLINT, false);
            case "oid", "xid" -> new IntegerType(IntegerSize.BIGINT, false);
            case "name" -> text(63);
            case "float" -> new FloatType(first.orElse(53) > 24);
            case "double" -> new FloatType(true);
            case "decfloat" -> new DecimalType(OptionalInt.empty(), OptionalInt.empty());
            case "bit", "bit varying", "varbit" ->
                    first.orElse(1) == 1 && type.name().equals("bit") ? new SqlType.BooleanType()
                    : new BinaryType(Form.VARYING, OptionalInt.of((first.orElse(64) + 7) / 8));
            case "varchar", "nvarchar", "varchar2", "nvarchar2", "character varying" ->
                    first.isPresent() ? text(first.getAsInt()) : SqlType.largeText();
            case "char", "nchar", "character" -> fixed(first.orElse(1));
            case "varbinary", "raw" -> new BinaryType(first.isPresent() ? Form.VARYING : Form.LARGE, first);
            case "text", "tinytext", "mediumtext", "longtext", "ntext", "nclob", "long", "citext", "xml", "xmltype",
                    "tsvector", "tsquery", "set", "sql_variant" ->
                    SqlType.largeText();
            case "image", "tinyblob", "blob", "mediumblob", "longblob", "long raw", "bfile" ->
                    new BinaryType(Form.LARGE, OptionalInt.empty());
            case "datetime", "smalldatetime" ->
                    new TimestampType(OptionalInt.of(type.name().equals("datetime") ? 3 : 0), false);
            case "rowversion", "timestamp" -> new BinaryType(Form.FIXED, OptionalInt.of(8));
            case "rowid", "urowid" -> text(18);
            default -> new CharacterType(Form.LARGE, OptionalInt.empty());
        };
    }

    /** Whether a spelling begins with one of these names. */
    public static boolean among(List<String> names, String spelled) {
        return names.contains(SpelledTypes.cut(spelled.toLowerCase(Locale.ROOT)).name());
    }
}
