-- The answers of INFORMATION_SCHEMA to the definitions beside this file, as the MySQL 8.4 manual describes each table of it (columns not asked for are left out); the engine here has one of its own, so they lie in another schema.
CREATE SCHEMA recorded;
CREATE TABLE recorded.tables (table_schema varchar(64), table_name varchar(64), table_type varchar(20), table_comment varchar(2048), create_time timestamp);
INSERT INTO recorded.tables VALUES ('fenmoor', 'vault_room', 'BASE TABLE', 'A room', '2026-03-02 08:00:00'), ('fenmoor', 'rack', 'BASE TABLE', '', '2026-03-02 08:00:01'),
 ('fenmoor', 'tray', 'BASE TABLE', '', '2026-03-02 08:00:02'), ('fenmoor', 'full_racks', 'VIEW', 'VIEW', '2026-03-02 08:00:03'), ('other', 'rack', 'BASE TABLE', '', '2026-03-02 08:00:00');
CREATE TABLE recorded.columns (table_schema varchar(64), table_name varchar(64), column_name varchar(64), ordinal_position int, column_type varchar(400), is_nullable varchar(3), column_default varchar(4000),
 extra varchar(100), column_comment varchar(1024), generation_expression varchar(4000));
INSERT INTO recorded.columns VALUES
 ('fenmoor', 'vault_room', 'room_no', 1, 'int', 'NO', null, 'auto_increment', '', ''),
 ('fenmoor', 'vault_room', 'label', 2, 'varchar(60)', 'NO', null, '', '', ''),
 ('fenmoor', 'vault_room', 'target_temp', 3, 'decimal(4,1)', 'NO', '-18.5', '', '', ''),
 ('fenmoor', 'vault_room', 'mood', 4, 'enum(''calm'',''humid'')', 'NO', 'calm', '', '', ''),
 ('fenmoor', 'vault_room', 'opened', 5, 'date', 'YES', null, '', '', ''),
 ('fenmoor', 'vault_room', 'seen_at', 6, 'timestamp(3)', 'YES', 'CURRENT_TIMESTAMP(3)', 'DEFAULT_GENERATED on update CURRENT_TIMESTAMP(3)', '', ''),
 ('fenmoor', 'rack', 'room_no', 1, 'int', 'NO', null, '', '', ''),
 ('fenmoor', 'rack', 'rack_no', 2, 'smallint', 'NO', null, '', '', ''),
 ('fenmoor', 'rack', 'capacity', 3, 'int unsigned', 'NO', '0', '', 'How many trays fit', ''),
 ('fenmoor', 'rack', 'used', 4, 'int', 'NO', '0', '', '', ''),
 ('fenmoor', 'rack', 'free', 5, 'int', 'YES', null, 'VIRTUAL GENERATED', '', '(`capacity` - `used`)'),
 ('fenmoor', 'rack', 'twice', 6, 'int', 'YES', null, 'STORED GENERATED', '', '(`used` * 2)'),
 ('fenmoor', 'rack', 'note', 7, 'varchar(200)', 'YES', 'concat(_utf8mb4\''no\'',_utf8mb4\''thing\'')', 'DEFAULT_GENERATED', '', ''),
 ('fenmoor', 'rack', 'facts', 8, 'json', 'YES', null, '', '', ''),
 ('fenmoor', 'rack', 'checked', 9, 'tinyint(1)', 'NO', '1', '', '', ''),
 ('fenmoor', 'tray', 'tray_no', 1, 'bigint unsigned', 'NO', null, '', '', ''),
 ('fenmoor', 'tray', 'room_no', 2, 'int', 'YES', null, '', '', ''),
 ('fenmoor', 'tray', 'rack_no', 3, 'smallint', 'YES', null, '', '', ''),
 ('fenmoor', 'full_racks', 'room_no', 1, 'int', 'NO', null, '', '', ''),
 ('other', 'rack', 'id', 1, 'int', 'NO', null, '', '', ''),
 ('information_schema', 'CHECK_CONSTRAINTS', 'CHECK_CLAUSE', 4, 'longtext', 'NO', null, '', '', ''), ('information_schema', 'STATISTICS', 'EXPRESSION', 18, 'longtext', 'YES', null, '', '', '');
CREATE TABLE recorded.statistics (table_schema varchar(64), table_name varchar(64), non_unique int, index_name varchar(64), seq_in_index int, column_name varchar(64), collation varchar(1), sub_part int, index_type varchar(11), expression varchar(4000));
INSERT INTO recorded.statistics VALUES
 ('fenmoor', 'vault_room', 0, 'PRIMARY', 1, 'room_no', 'A', null, 'BTREE', null), ('fenmoor', 'vault_room', 0, 'label', 1, 'label', 'A', null, 'BTREE', null),
 ('fenmoor', 'vault_room', 1, 'ix_label', 1, null, 'A', null, 'BTREE', 'lower(`label`)'),
 ('fenmoor', 'rack', 0, 'PRIMARY', 1, 'room_no', 'A', null, 'BTREE', null), ('fenmoor', 'rack', 0, 'PRIMARY', 2, 'rack_no', 'A', null, 'BTREE', null),
 ('fenmoor', 'rack', 1, 'ix_used', 1, 'used', 'D', null, 'BTREE', null), ('fenmoor', 'rack', 1, 'ix_used', 2, 'note', 'A', 20, 'BTREE', null),
 ('fenmoor', 'rack', 1, 'ft_note', 1, 'note', null, null, 'FULLTEXT', null),
 ('fenmoor', 'tray', 0, 'PRIMARY', 1, 'tray_no', 'A', null, 'BTREE', null), ('fenmoor', 'tray', 1, 'fk_tray_rack', 1, 'room_no', 'A', null, 'BTREE', null), ('fenmoor', 'tray', 1, 'fk_tray_rack', 2, 'rack_no', 'A', null, 'BTREE', null);
CREATE TABLE recorded.key_column_usage (table_schema varchar(64), table_name varchar(64), constraint_schema varchar(64), constraint_name varchar(64), column_name varchar(64), ordinal_position int,
 referenced_table_schema varchar(64), referenced_table_name varchar(64), referenced_column_name varchar(64));
INSERT INTO recorded.key_column_usage VALUES
 ('fenmoor', 'rack', 'fenmoor', 'PRIMARY', 'room_no', 1, null, null, null), ('fenmoor', 'rack', 'fenmoor', 'fk_rack_room', 'room_no', 1, 'fenmoor', 'vault_room', 'room_no'),
 ('fenmoor', 'tray', 'fenmoor', 'fk_tray_rack', 'room_no', 1, 'fenmoor', 'rack', 'room_no'), ('fenmoor', 'tray', 'fenmoor', 'fk_tray_rack', 'rack_no', 2, 'fenmoor', 'rack', 'rack_no');
CREATE TABLE recorded.referential_constraints (constraint_schema varchar(64), constraint_name varchar(64), table_name varchar(64), delete_rule varchar(20), update_rule varchar(20));
INSERT INTO recorded.referential_constraints VALUES ('fenmoor', 'fk_rack_room', 'rack', 'CASCADE', 'NO ACTION'), ('fenmoor', 'fk_tray_rack', 'tray', 'SET NULL', 'CASCADE');
CREATE TABLE recorded.check_constraints (constraint_schema varchar(64), constraint_name varchar(64), check_clause varchar(4000));
INSERT INTO recorded.check_constraints VALUES ('fenmoor', 'ck_used', '((`used` <= `capacity`) and ((`note` is null) or (`note` <> _utf8mb4\''?\'')))'), ('other', 'ck_used', '(`id` > 0)');
CREATE TABLE recorded.table_constraints (constraint_schema varchar(64), constraint_name varchar(64), table_name varchar(64), constraint_type varchar(11));
INSERT INTO recorded.table_constraints VALUES ('fenmoor', 'ck_used', 'rack', 'CHECK'), ('fenmoor', 'PRIMARY', 'rack', 'PRIMARY KEY'), ('fenmoor', 'fk_rack_room', 'rack', 'FOREIGN KEY'), ('other', 'ck_used', 'rack', 'CHECK');
CREATE TABLE recorded.routines (routine_schema varchar(64), routine_type varchar(10), routine_name varchar(64), created timestamp);
CREATE TABLE recorded.views (table_schema varchar(64), table_name varchar(64), view_definition varchar(4000));
INSERT INTO recorded.views VALUES ('fenmoor', 'full_racks', 'select `fenmoor`.`rack`.`room_no` AS `room_no`,`fenmoor`.`rack`.`rack_no` AS `rack_no` from `fenmoor`.`rack` where (`fenmoor`.`rack`.`used` = `fenmoor`.`rack`.`capacity`)');
CREATE TABLE recorded.triggers (trigger_schema varchar(64), trigger_name varchar(64), action_timing varchar(6), event_manipulation varchar(6), event_object_table varchar(64), action_statement varchar(4000), created timestamp);
