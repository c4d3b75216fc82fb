-- The answers of the dictionary to the definitions beside this file, as the Oracle Database Reference describes each view under "Static Data Dictionary Views" (columns not asked for are left out).
CREATE TABLE all_objects (owner varchar(128), object_name varchar(128), object_type varchar(23), object_id int);
INSERT INTO all_objects VALUES ('FENMOOR', 'VAULT_ROOM', 'TABLE', 73101), ('FENMOOR', 'RACK', 'TABLE', 73105), ('FENMOOR', 'TRAY', 'TABLE', 73109), ('FENMOOR', 'RACK_SUMS', 'TABLE', 73120),
 ('FENMOOR', 'RACK_SUMS', 'MATERIALIZED VIEW', 73121), ('OTHER', 'RACK', 'TABLE', 70001), ('FENMOOR', 'SCRATCH', 'TABLE', 73130), ('FENMOOR', 'BIN$7n1Q==$0', 'TABLE', 73090);
CREATE TABLE all_tables (owner varchar(128), table_name varchar(128), temporary varchar(1), nested varchar(3), secondary varchar(1), dropped varchar(3), iot_type varchar(12));
INSERT INTO all_tables VALUES ('FENMOOR', 'RACK', 'N', 'NO', 'N', 'NO', null), ('FENMOOR', 'TRAY', 'N', 'NO', 'N', 'NO', 'IOT'), ('FENMOOR', 'VAULT_ROOM', 'N', 'NO', 'N', 'NO', null),
 ('FENMOOR', 'RACK_SUMS', 'N', 'NO', 'N', 'NO', null), ('OTHER', 'RACK', 'N', 'NO', 'N', 'NO', null), ('FENMOOR', 'SCRATCH', 'Y', 'NO', 'N', 'NO', null), ('FENMOOR', 'BIN$7n1Q==$0', 'N', 'NO', 'N', 'YES', null);
CREATE TABLE all_tab_comments (owner varchar(128), table_name varchar(128), comments varchar(4000));
INSERT INTO all_tab_comments VALUES ('FENMOOR', 'RACK', 'Where trays stand'), ('FENMOOR', 'TRAY', null), ('FENMOOR', 'VAULT_ROOM', null);
CREATE TABLE all_col_comments (owner varchar(128), table_name varchar(128), column_name varchar(128), comments varchar(4000));
INSERT INTO all_col_comments VALUES ('FENMOOR', 'RACK', 'CAPACITY', 'How many trays fit'), ('FENMOOR', 'RACK', 'USED', null);
CREATE TABLE all_mviews (owner varchar(128), mview_name varchar(128), query varchar(4000));
INSERT INTO all_mviews VALUES ('FENMOOR', 'RACK_SUMS', 'SELECT room_no, SUM(used) AS used FROM rack GROUP BY room_no');
CREATE TABLE all_types (owner varchar(128), type_name varchar(128), typecode varchar(128));
INSERT INTO all_types VALUES ('FENMOOR', 'PLACE', 'OBJECT'), ('FENMOOR', 'NUMBERS', 'COLLECTION');
CREATE TABLE all_type_attrs (owner varchar(128), type_name varchar(128), attr_name varchar(128), attr_type_owner varchar(128), attr_type_name varchar(128), length int, precision int, scale int, attr_no int, char_used varchar(1));
INSERT INTO all_type_attrs VALUES ('FENMOOR', 'PLACE', 'ROW_NO', null, 'NUMBER', null, 4, 0, 1, null), ('FENMOOR', 'PLACE', 'LABEL', null, 'VARCHAR2', 20, null, null, 2, 'C');
CREATE TABLE all_tab_cols (owner varchar(128), table_name varchar(128), column_name varchar(128), data_type varchar(128), data_type_owner varchar(128), data_length int, data_precision int, data_scale int,
 nullable varchar(1), column_id int, data_default varchar(4000), char_length int, char_used varchar(1), hidden_column varchar(3), virtual_column varchar(3));
INSERT INTO all_tab_cols VALUES
 ('FENMOOR', 'VAULT_ROOM', 'ROOM_NO', 'NUMBER', null, 22, 10, 0, 'N', 1, '"FENMOOR"."ISEQ$$_73101".nextval', 0, null, 'NO', 'NO'),
 ('FENMOOR', 'VAULT_ROOM', 'LABEL', 'VARCHAR2', null, 240, null, null, 'N', 2, null, 60, 'C', 'NO', 'NO'),
 ('FENMOOR', 'VAULT_ROOM', 'CODE', 'VARCHAR2', null, 12, null, null, 'Y', 3, null, 12, 'B', 'NO', 'NO'),
 ('FENMOOR', 'VAULT_ROOM', 'TARGET_TEMP', 'NUMBER', null, 22, 4, 1, 'N', 4, '-18.5 ', 0, null, 'NO', 'NO'),
 ('FENMOOR', 'VAULT_ROOM', 'OPENED', 'DATE', null, 7, null, null, 'Y', 5, null, 0, null, 'NO', 'NO'),
 ('FENMOOR', 'VAULT_ROOM', 'Keeper', 'NVARCHAR2', null, 80, null, null, 'Y', 6, null, 40, 'C', 'NO', 'NO'),
 ('FENMOOR', 'VAULT_ROOM', 'SYS_NC00007$', 'VARCHAR2', null, 240, null, null, 'Y', null, 'UPPER("LABEL")', 60, 'C', 'YES', 'YES'),
 ('FENMOOR', 'RACK', 'ROOM_NO', 'NUMBER', null, 22, 10, 0, 'N', 1, null, 0, null, 'NO', 'NO'),
 ('FENMOOR', 'RACK', 'RACK_NO', 'NUMBER', null, 22, 5, 0, 'N', 2, null, 0, null, 'NO', 'NO'),
 ('FENMOOR', 'RACK', 'CAPACITY', 'NUMBER', null, 22, 10, 0, 'N', 3, '0 ', 0, null, 'NO', 'NO'),
 ('FENMOOR', 'RACK', 'USED', 'NUMBER', null, 22, 10, 0, 'N', 4, '0 ', 0, null, 'NO', 'NO'),
 ('FENMOOR', 'RACK', 'FREE', 'NUMBER', null, 22, null, null, 'Y', 5, '"CAPACITY"-"USED"', 0, null, 'NO', 'YES'),
 ('FENMOOR', 'RACK', 'SPOT', 'PLACE', 'FENMOOR', 1, null, null, 'Y', 6, null, 0, null, 'NO', 'NO'),
 ('FENMOOR', 'RACK', 'WHOLE', 'NUMBER', null, 22, null, 0, 'Y', 7, null, 0, null, 'NO', 'NO'),
 ('FENMOOR', 'RACK', 'FACTOR', 'FLOAT', null, 22, 126, null, 'Y', 8, null, 0, null, 'NO', 'NO'),
 ('FENMOOR', 'RACK', 'EXACT', 'NUMBER', null, 22, null, null, 'Y', 9, null, 0, null, 'NO', 'NO'),
 ('FENMOOR', 'RACK', 'NOTE', 'CLOB', null, 4000, null, null, 'Y', 10, null, 0, null, 'NO', 'NO'),
 ('FENMOOR', 'RACK', 'PICTURE', 'BLOB', null, 4000, null, null, 'Y', 11, null, 0, null, 'NO', 'NO'),
 ('FENMOOR', 'RACK', 'MARKER', 'RAW', null, 16, null, null, 'Y', 12, 'SYS_GUID()', 0, null, 'NO', 'NO'),
 ('FENMOOR', 'RACK', 'SEEN_AT', 'TIMESTAMP(6)', null, 11, null, 6, 'Y', 13, 'CURRENT_TIMESTAMP', 0, null, 'NO', 'NO'),
 ('FENMOOR', 'RACK', 'ZONED', 'TIMESTAMP(3) WITH TIME ZONE', null, 13, null, 3, 'Y', 14, null, 0, null, 'NO', 'NO'),
 ('FENMOOR', 'RACK', 'SPAN', 'INTERVAL DAY(2) TO SECOND(6)', null, 11, 2, 6, 'Y', 15, null, 0, null, 'NO', 'NO'),
 ('FENMOOR', 'TRAY', 'TRAY_NO', 'NUMBER', null, 22, 10, 0, 'N', 1, null, 0, null, 'NO', 'NO'),
 ('FENMOOR', 'TRAY', 'ROOM_NO', 'NUMBER', null, 22, 10, 0, 'Y', 2, null, 0, null, 'NO', 'NO'),
 ('FENMOOR', 'TRAY', 'RACK_NO', 'NUMBER', null, 22, 5, 0, 'Y', 3, null, 0, null, 'NO', 'NO'),
 ('FENMOOR', 'RACK_SUMS', 'ROOM_NO', 'NUMBER', null, 22, 10, 0, 'N', 1, null, 0, null, 'NO', 'NO'), ('OTHER', 'RACK', 'ID', 'NUMBER', null, 22, 10, 0, 'N', 1, null, 0, null, 'NO', 'NO');
CREATE TABLE all_tab_identity_cols (owner varchar(128), table_name varchar(128), column_name varchar(128), generation_type varchar(10), identity_options varchar(298));
INSERT INTO all_tab_identity_cols VALUES ('FENMOOR', 'VAULT_ROOM', 'ROOM_NO', 'BY DEFAULT',
 'START WITH: 10, INCREMENT BY: 5, MAX_VALUE: 9999999999999999999999999999, MIN_VALUE: 1, CYCLE_FLAG: N, CACHE_SIZE: 20, ORDER_FLAG: N, SCALE_FLAG: N, EXTEND_FLAG: N, SESSION_FLAG: N, KEEP_VALUE: N');
CREATE TABLE all_constraints (owner varchar(128), constraint_name varchar(128), constraint_type varchar(1), table_name varchar(128), search_condition_vc varchar(4000), r_owner varchar(128),
 r_constraint_name varchar(128), delete_rule varchar(9), deferrable varchar(14), deferred varchar(9), generated varchar(14), index_name varchar(128));
INSERT INTO all_constraints VALUES
 ('FENMOOR', 'PK_VAULT_ROOM', 'P', 'VAULT_ROOM', null, null, null, null, 'NOT DEFERRABLE', 'IMMEDIATE', 'USER NAME', 'PK_VAULT_ROOM'),
 ('FENMOOR', 'SYS_C008301', 'U', 'VAULT_ROOM', null, null, null, null, 'NOT DEFERRABLE', 'IMMEDIATE', 'GENERATED NAME', 'SYS_C008301'),
 ('FENMOOR', 'SYS_C008299', 'C', 'VAULT_ROOM', '"LABEL" IS NOT NULL', null, null, null, 'NOT DEFERRABLE', 'IMMEDIATE', 'GENERATED NAME', null),
 ('FENMOOR', 'SYS_C008300', 'C', 'VAULT_ROOM', '"TARGET_TEMP" IS NOT NULL', null, null, null, 'NOT DEFERRABLE', 'IMMEDIATE', 'GENERATED NAME', null),
 ('FENMOOR', 'PK_RACK', 'P', 'RACK', null, null, null, null, 'NOT DEFERRABLE', 'IMMEDIATE', 'USER NAME', 'PK_RACK'),
 ('FENMOOR', 'FK_RACK_ROOM', 'R', 'RACK', null, 'FENMOOR', 'PK_VAULT_ROOM', 'CASCADE', 'NOT DEFERRABLE', 'IMMEDIATE', 'USER NAME', null),
 ('FENMOOR', 'SYS_C008305', 'C', 'RACK', '"CAPACITY" IS NOT NULL', null, null, null, 'NOT DEFERRABLE', 'IMMEDIATE', 'GENERATED NAME', null),
 ('FENMOOR', 'SYS_C008307', 'C', 'RACK', 'capacity >= 0', null, null, null, 'NOT DEFERRABLE', 'IMMEDIATE', 'GENERATED NAME', null),
 ('FENMOOR', 'CK_USED', 'C', 'RACK', 'used <= capacity', null, null, null, 'NOT DEFERRABLE', 'IMMEDIATE', 'USER NAME', null),
 ('FENMOOR', 'SYS_C008311', 'P', 'TRAY', null, null, null, null, 'NOT DEFERRABLE', 'IMMEDIATE', 'GENERATED NAME', 'SYS_IOT_TOP_73109'),
 ('FENMOOR', 'FK_TRAY_RACK', 'R', 'TRAY', null, 'FENMOOR', 'PK_RACK', 'SET NULL', 'DEFERRABLE', 'DEFERRED', 'USER NAME', null);
CREATE TABLE all_cons_columns (owner varchar(128), constraint_name varchar(128), table_name varchar(128), column_name varchar(128), position int);
INSERT INTO all_cons_columns VALUES
 ('FENMOOR', 'PK_VAULT_ROOM', 'VAULT_ROOM', 'ROOM_NO', 1), ('FENMOOR', 'SYS_C008301', 'VAULT_ROOM', 'LABEL', 1), ('FENMOOR', 'SYS_C008299', 'VAULT_ROOM', 'LABEL', null),
 ('FENMOOR', 'PK_RACK', 'RACK', 'ROOM_NO', 1), ('FENMOOR', 'PK_RACK', 'RACK', 'RACK_NO', 2), ('FENMOOR', 'FK_RACK_ROOM', 'RACK', 'ROOM_NO', 1), ('FENMOOR', 'CK_USED', 'RACK', 'USED', null),
 ('FENMOOR', 'CK_USED', 'RACK', 'CAPACITY', null), ('FENMOOR', 'SYS_C008311', 'TRAY', 'TRAY_NO', 1), ('FENMOOR', 'FK_TRAY_RACK', 'TRAY', 'ROOM_NO', 1), ('FENMOOR', 'FK_TRAY_RACK', 'TRAY', 'RACK_NO', 2);
CREATE TABLE all_indexes (owner varchar(128), index_name varchar(128), index_type varchar(27), table_owner varchar(128), table_name varchar(128), uniqueness varchar(9));
INSERT INTO all_indexes VALUES
 ('FENMOOR', 'PK_VAULT_ROOM', 'NORMAL', 'FENMOOR', 'VAULT_ROOM', 'UNIQUE'), ('FENMOOR', 'SYS_C008301', 'NORMAL', 'FENMOOR', 'VAULT_ROOM', 'UNIQUE'),
 ('FENMOOR', 'IX_ROOM_LABEL', 'FUNCTION-BASED NORMAL', 'FENMOOR', 'VAULT_ROOM', 'NONUNIQUE'), ('FENMOOR', 'PK_RACK', 'NORMAL', 'FENMOOR', 'RACK', 'UNIQUE'),
 ('FENMOOR', 'IX_RACK_USED', 'FUNCTION-BASED NORMAL', 'FENMOOR', 'RACK', 'NONUNIQUE'), ('FENMOOR', 'SYS_IL0000073105C00010$$', 'LOB', 'FENMOOR', 'RACK', 'UNIQUE'),
 ('FENMOOR', 'SYS_IOT_TOP_73109', 'IOT - TOP', 'FENMOOR', 'TRAY', 'UNIQUE'), ('FENMOOR', 'UX_TRAY', 'NORMAL', 'FENMOOR', 'TRAY', 'UNIQUE');
CREATE TABLE all_ind_columns (index_owner varchar(128), index_name varchar(128), column_name varchar(4000), column_position int, descend varchar(4));
INSERT INTO all_ind_columns VALUES
 ('FENMOOR', 'PK_VAULT_ROOM', 'ROOM_NO', 1, 'ASC'), ('FENMOOR', 'SYS_C008301', 'LABEL', 1, 'ASC'), ('FENMOOR', 'IX_ROOM_LABEL', 'SYS_NC00007$', 1, 'ASC'), ('FENMOOR', 'PK_RACK', 'ROOM_NO', 1, 'ASC'),
 ('FENMOOR', 'PK_RACK', 'RACK_NO', 2, 'ASC'), ('FENMOOR', 'IX_RACK_USED', 'SYS_NC00016$', 1, 'DESC'), ('FENMOOR', 'IX_RACK_USED', 'CAPACITY', 2, 'ASC'), ('FENMOOR', 'UX_TRAY', 'ROOM_NO', 1, 'ASC'),
 ('FENMOOR', 'UX_TRAY', 'RACK_NO', 2, 'ASC'), ('FENMOOR', 'SYS_IOT_TOP_73109', 'TRAY_NO', 1, 'ASC');
CREATE TABLE all_ind_expressions (index_owner varchar(128), index_name varchar(128), column_expression varchar(4000), column_position int);
INSERT INTO all_ind_expressions VALUES ('FENMOOR', 'IX_ROOM_LABEL', 'UPPER("LABEL")', 1), ('FENMOOR', 'IX_RACK_USED', '"USED"', 1);
CREATE TABLE all_sequences (sequence_owner varchar(128), sequence_name varchar(128), min_value decimal(38), max_value decimal(38), increment_by decimal(38), last_number decimal(38));
INSERT INTO all_sequences VALUES ('FENMOOR', 'TRAY_NUMBERS', 1, 9999999999999999999999999999, 2, 41), ('FENMOOR', 'ISEQ$$_73101', 1, 9999999999999999999999999999, 5, 110);
CREATE TABLE all_views (owner varchar(128), view_name varchar(128), text varchar(4000));
INSERT INTO all_views VALUES ('FENMOOR', 'FULL_RACKS', 'SELECT room_no, rack_no FROM rack WHERE used = capacity');
CREATE TABLE all_source (owner varchar(128), name varchar(128), type varchar(12), line int, text varchar(4000));
INSERT INTO all_source VALUES ('FENMOOR', 'EMPTY_RACK', 'PROCEDURE', 1, 'PROCEDURE empty_rack (room IN NUMBER) AS' || CHR(10)), ('FENMOOR', 'EMPTY_RACK', 'PROCEDURE', 2, 'BEGIN' || CHR(10)),
 ('FENMOOR', 'EMPTY_RACK', 'PROCEDURE', 3, '  UPDATE rack SET used = 0 WHERE room_no = room;' || CHR(10)), ('FENMOOR', 'EMPTY_RACK', 'PROCEDURE', 4, 'END;');
