package entaxis.core.engine.mysql;

import entaxis.core.sql.ReservedSince;
import entaxis.core.sql.ReservedWords;
import java.util.Map;
import java.util.Set;

/** Words that MySQL reserves. */
public final class MySqlWords {
    /** Reserved words. MySQL manual, “Keywords and Reserved Words”. */
    public static final Set<String> RESERVED = ReservedWords.of(
            "accessible add all alter analyze and as asc asensitive before between bigint binary blob both by call "
                    + "cascade case change char character check collate",
            "column condition constraint continue convert create cross cube cume_dist current_date current_time "
                    + "current_timestamp current_user cursor database",
            "databases day_hour day_microsecond day_minute day_second dec decimal declare default delayed delete "
                    + "dense_rank desc describe deterministic distinct",
            "distinctrow div double drop dual each else elseif empty enclosed escaped except exists exit explain false "
                    + "fetch first_value float float4 float8 for force",
            "foreign from fulltext function generated get grant group grouping groups having high_priority "
                    + "hour_microsecond hour_minute hour_second if ignore in index",
            "infile inner inout insensitive insert int int1 int2 int3 int4 int8 integer intersect interval into "
                    + "io_after_gtids io_before_gtids is iterate join json_table",
            "key keys kill lag last_value lateral lead leading leave left like limit linear lines load localtime "
                    + "localtimestamp lock long longblob longtext loop",
            "low_priority manual master_bind master_ssl_verify_server_cert match maxvalue mediumblob mediumint "
                    + "mediumtext middleint minute_microsecond minute_second",
            "mod modifies natural not no_write_to_binlog nth_value ntile null numeric of on optimize optimizer_costs "
                    + "option optionally or order out outer outfile over",
            "parallel partition percent_rank precision primary procedure purge qualify range rank read reads "
                    + "read_write real recursive references regexp release rename",
            "repeat replace require resignal restrict return revoke right rlike row rows row_number schema schemas "
                    + "second_microsecond select sensitive separator set show",
            "signal smallint spatial specific sql sqlexception sqlstate sqlwarning sql_big_result sql_calc_found_rows "
                    + "sql_small_result ssl starting stored",
            "straight_join system table tablesample terminated then tinyblob tinyint tinytext to trailing trigger true "
                    + "undo union unique unlock unsigned update usage use",
            "using utc_date utc_time utc_timestamp values varbinary varchar varcharacter varying virtual when where "
                    + "while window with write xor year_month zerofill",
            // Names of functions, which end where a bracket follows. MySQL manual, “Function Name Parsing and
            // Resolution”.
            "adddate bit_and bit_or bit_xor cast count curdate curtime date_add date_sub extract group_concat max mid "
                    + "min now position session_user std stddev stddev_pop stddev_samp subdate substr",
            "substring sum sysdate system_user trim variance var_pop var_samp");
    /** MySQL manual, “Keywords and Reserved Words”, 5.7, 8.0, 8.4, 9. */
    static final Map<String, String> RESERVED_SINCE = ReservedSince.of(
            "5.6 get io_after_gtids io_before_gtids master_bind partition",
            "5.7 generated optimizer_costs stored virtual", "8.0.1 cube function grouping of recursive",
            "8.0.2 cume_dist dense_rank first_value groups lag last_value lead nth_value ntile over percent_rank rank "
                    + "row row_number rows window",
            "8.0.3 system", "8.0.4 empty except json_table", "8.0.14 lateral", "8.0.31 intersect",
            "8.4 manual parallel qualify tablesample");

    private MySqlWords() { }
}
