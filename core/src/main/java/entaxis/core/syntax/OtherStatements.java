package entaxis.core.syntax;

import entaxis.core.statement.Skipped;
import entaxis.core.token.Keyword;

/** Passes statements that neither define nor fill tables, and says what they are. */
final class OtherStatements {
    private final StatementCursor tokens;
    private final StatementEnd statementEnd;

    OtherStatements(StatementCursor tokens, StatementEnd statementEnd) {
        this.tokens = tokens;
        this.statementEnd = statementEnd;
    }

    /** Passes the statement that begins at a token. */
    Skipped skip(int from) {
        return switch (tokens.word(from)) {
            case CALL -> statementEnd.skip(from, "call of a procedure");
            case COMMIT, ROLLBACK, START, SAVEPOINT, RELEASE, TRANSACTION -> statementEnd.skip(from, "transaction");
            case UPDATE -> statementEnd.skip(from,
                    tokens.ahead(1) == Keyword.STATISTICS ? "maintenance" : "change of rows");
            case DELETE, TRUNCATE -> statementEnd.skip(from, "change of rows");
            case PRAGMA -> statementEnd.skip(from, "setting");
            case LOCK, UNLOCK -> statementEnd.skip(from, "lock");
            case ANALYZE, VACUUM, CLUSTER -> statementEnd.skip(from, "maintenance");
            case PRINT -> statementEnd.skip(from, "message");
            default -> byWords(from);
        };
    }

    private Skipped byWords(int from) {
        String first = tokens.capitals(from);
        return switch (first + " " + tokens.capitals(from + 1)) {
            case "CHECK TABLE", "CHECKSUM TABLE", "REFRESH MATERIALIZED" -> statementEnd.skip(from, "maintenance");
            case "CHANGE REPLICATION", "CHANGE MASTER", "STOP REPLICA", "STOP SLAVE" ->
                    statementEnd.skip(from, "replication");
            default -> first.equals("MERGE") ? merge(from) : statementEnd.skip(
                    first.equals("BULK") ? from + 1 : from, kind(from, first));
        };
    }

    /** Transact-SQL Reference, MERGE: it goes on to its semicolon, whatever statements seem to begin inside. */
    private Skipped merge(int from) {
        Skipped skipped = statementEnd.skip(from, "change of rows");
        tokens.toEnd();
        return skipped;
    }

    private String kind(int from, String first) {
        return switch (first) {
            case "XA", "ABORT" -> "transaction";
            case "BINLOG" -> "replication";
            case "TABLE", "EXPLAIN", "SHOW", "DESCRIBE", "HELP" -> "query";
            case "ATTACH", "DETACH" -> "change of database";
            case "KILL", "RESTART", "CLONE", "LISTEN", "NOTIFY", "UNLISTEN", "RESET", "PREPARE", "DEALLOCATE", "SIGNAL",
                    "AUDIT", "NOAUDIT", "ASSOCIATE", "DISASSOCIATE" -> "setting";
            case "UPSERT", "HANDLER", "LOAD" -> "change of rows";
            case "BULK" -> "rows";
            case "REINDEX", "OPTIMIZE", "REPAIR", "CHECKPOINT", "DISCARD", "FLUSH", "PURGE", "DBCC", "RECONFIGURE",
                    "SHUTDOWN", "FLASHBACK" -> "maintenance";
            case "SECURITY", "DENY", "REASSIGN" -> "permission";
            case "INSTALL", "UNINSTALL", "IMPORT" -> "extension";
            case "MOVE", "RAISERROR", "THROW", "WAITFOR", "OPEN", "CLOSE", "FETCH", "LABEL", "GOTO", "BREAK" ->
                    "procedural statement";
            default -> throw tokens.unreadable(from, first.isEmpty() ? "no statement begins so"
                    : "“" + tokens.text(from, from + 1) + "” begins no statement that is known here");
        };
    }
}
