-- The answers of the catalog views to the definitions beside this file, as the SQL Server documentation describes each view under "Object Catalog Views" (columns not asked for are left out).
CREATE SCHEMA sys;
CREATE TABLE sys.databases (name varchar(128), collation_name varchar(128));
INSERT INTO sys.databases VALUES ('RECORDED', 'SQL_Latin1_General_CP1_CI_AS'), ('other', 'Latin1_General_100_BIN2');
CREATE TABLE sys.schemas (schema_id int, name varchar(128));
INSERT INTO sys.schemas VALUES (1, 'dbo'), (4, 'sys'), (5, 'archive');
CREATE TABLE sys.tables (object_id int, schema_id int, name varchar(128), is_ms_shipped smallint, temporal_type int, create_date timestamp);
INSERT INTO sys.tables VALUES
 (901578250, 1, 'vault_room', 0, 0, '2026-03-02 08:00:00'), (245575913, 1, 'rack', 0, 0, '2026-03-02 08:00:01'), (677577452, 1, 'tray', 0, 0, '2026-03-02 08:00:02'),
 (117575457, 1, 'rack_history', 0, 1, '2026-03-02 08:00:03'), (885578193, 5, 'rack', 0, 0, '2026-03-02 08:00:04'), (581577110, 1, 'spt_values', 1, 0, '2026-01-01 00:00:00');
CREATE TABLE sys.extended_properties (class int, major_id int, minor_id int, name varchar(128), "VALUE" varchar(4000));
INSERT INTO sys.extended_properties VALUES
 (1, 245575913, 0, 'MS_Description', 'Where trays stand'), (1, 245575913, 4, 'MS_Description', 'How many trays fit'), (1, 245575913, 0, 'Owner', 'nobody'), (7, 245575913, 1, 'MS_Description', 'of an index');
CREATE TABLE sys.types (user_type_id int, system_type_id int, schema_id int, name varchar(128), max_length int, precision int, scale int, is_user_defined smallint, is_table_type smallint, is_assembly_type smallint);
INSERT INTO sys.types VALUES
 (56, 56, 4, 'int', 4, 10, 0, 0, 0, 0), (52, 52, 4, 'smallint', 2, 5, 0, 0, 0, 0), (231, 231, 4, 'nvarchar', 8000, 0, 0, 0, 0, 0), (167, 167, 4, 'varchar', 8000, 0, 0, 0, 0, 0),
 (256, 231, 4, 'sysname', 256, 0, 0, 0, 0, 0), (106, 106, 4, 'decimal', 17, 38, 38, 0, 0, 0), (40, 40, 4, 'date', 3, 10, 0, 0, 0, 0), (165, 165, 4, 'varbinary', 8000, 0, 0, 0, 0, 0),
 (62, 62, 4, 'float', 8, 53, 0, 0, 0, 0), (59, 59, 4, 'real', 4, 24, 0, 0, 0, 0), (60, 60, 4, 'money', 8, 19, 4, 0, 0, 0), (42, 42, 4, 'datetime2', 8, 27, 7, 0, 0, 0),
 (41, 41, 4, 'time', 5, 16, 7, 0, 0, 0), (43, 43, 4, 'datetimeoffset', 10, 34, 7, 0, 0, 0), (36, 36, 4, 'uniqueidentifier', 16, 0, 0, 0, 0, 0), (104, 104, 4, 'bit', 1, 1, 0, 0, 0, 0),
 (257, 167, 1, 'accession_code', 12, 0, 0, 1, 0, 0), (258, 243, 1, 'tray_list', -1, 0, 0, 1, 1, 0), (243, 243, 4, 'table type', -1, 0, 0, 0, 0, 0);
CREATE TABLE sys.columns (object_id int, column_id int, name varchar(128), user_type_id int, max_length int, precision int, scale int, collation_name varchar(128), is_nullable smallint, is_identity smallint, default_object_id int);
INSERT INTO sys.columns VALUES
 (901578250, 1, 'room_no', 56, 4, 10, 0, null, 0, 1, 0),
 (901578250, 2, 'label', 231, 120, 0, 0, 'SQL_Latin1_General_CP1_CI_AS', 0, 0, 0),
 (901578250, 3, 'target_temp', 106, 5, 4, 1, null, 0, 0, 933578364),
 (901578250, 4, 'opened', 40, 3, 10, 0, null, 1, 0, 0),
 (901578250, 5, 'keeper', 256, 256, 0, 0, 'SQL_Latin1_General_CP1_CI_AS', 1, 0, 0),
 (245575913, 1, 'room_no', 56, 4, 10, 0, null, 0, 0, 0),
 (245575913, 2, 'rack_no', 52, 2, 5, 0, null, 0, 0, 0),
 (245575913, 3, 'code', 257, 12, 0, 0, 'SQL_Latin1_General_CP1_CI_AS', 1, 0, 0),
 (245575913, 4, 'capacity', 56, 4, 10, 0, null, 0, 0, 277576027),
 (245575913, 5, 'used', 56, 4, 10, 0, null, 0, 0, 293576084),
 (245575913, 6, 'free', 56, 4, 10, 0, null, 1, 0, 0),
 (245575913, 7, 'half', 56, 4, 10, 0, null, 1, 0, 0),
 (245575913, 8, 'note', 231, -1, 0, 0, 'Latin1_General_100_BIN2', 1, 0, 0),
 (245575913, 9, 'picture', 165, -1, 0, 0, null, 1, 0, 0),
 (245575913, 10, 'load_factor', 62, 8, 53, 0, null, 1, 0, 0),
 (245575913, 11, 'ratio', 59, 4, 24, 0, null, 1, 0, 0),
 (245575913, 12, 'price', 60, 8, 19, 4, null, 1, 0, 0),
 (245575913, 13, 'seen_at', 42, 7, 23, 3, null, 1, 0, 309576141),
 (245575913, 14, 'at_time', 41, 3, 8, 0, null, 1, 0, 0),
 (245575913, 15, 'zoned', 43, 10, 34, 7, null, 1, 0, 0),
 (245575913, 16, 'marker', 36, 16, 0, 0, null, 1, 0, 325576198),
 (245575913, 17, 'checked', 104, 1, 1, 0, null, 0, 0, 341576255),
 (677577452, 1, 'tray_no', 56, 4, 10, 0, null, 0, 0, 0),
 (677577452, 2, 'room_no', 56, 4, 10, 0, null, 1, 0, 0),
 (677577452, 3, 'rack_no', 52, 2, 5, 0, null, 1, 0, 0),
 (117575457, 1, 'room_no', 56, 4, 10, 0, null, 0, 0, 0), (885578193, 1, 'id', 56, 4, 10, 0, null, 0, 0, 0);
CREATE TABLE sys.default_constraints (object_id int, definition varchar(4000));
INSERT INTO sys.default_constraints VALUES (933578364, '((-18.5))'), (277576027, '((0))'), (293576084, '((0))'), (309576141, '(sysdatetime())'), (325576198, '(newid())'), (341576255, '((1))');
CREATE TABLE sys.identity_columns (object_id int, column_id int, seed_value varchar(20), increment_value varchar(20));
INSERT INTO sys.identity_columns VALUES (901578250, 1, '10', '5');
CREATE TABLE sys.computed_columns (object_id int, column_id int, definition varchar(4000), is_persisted smallint);
INSERT INTO sys.computed_columns VALUES (245575913, 6, '([capacity]-[used])', 1), (245575913, 7, '([capacity]/(2))', 0);
CREATE TABLE sys.key_constraints (object_id int, parent_object_id int, name varchar(128), type char(2), unique_index_id int, is_system_named smallint);
INSERT INTO sys.key_constraints VALUES
 (917578307, 901578250, 'pk_vault_room', 'PK', 1, 0), (949578421, 901578250, 'UQ__vault_ro__A2B5F1C3', 'UQ', 2, 1), (261575970, 245575913, 'pk_rack', 'PK', 1, 0),
 (693577509, 677577452, 'PK__tray__5C3A8B1F0D2E', 'PK', 1, 1);
CREATE TABLE sys.check_constraints (object_id int, parent_object_id int, name varchar(128), definition varchar(4000), is_system_named smallint);
INSERT INTO sys.check_constraints VALUES
 (357576312, 245575913, 'CK__rack__1EA48E88', '([capacity]>=(0))', 1), (373576369, 245575913, 'ck_used', '([used]<=[capacity] AND ([note] IS NULL OR [note]<>N''?''))', 0);
CREATE TABLE sys.foreign_keys (object_id int, parent_object_id int, referenced_object_id int, name varchar(128), is_system_named smallint, delete_referential_action_desc varchar(60), update_referential_action_desc varchar(60));
INSERT INTO sys.foreign_keys VALUES (389576426, 245575913, 901578250, 'fk_rack_room', 0, 'CASCADE', 'NO_ACTION'), (709577566, 677577452, 245575913, 'fk_tray_rack', 0, 'SET_NULL', 'CASCADE');
CREATE TABLE sys.foreign_key_columns (constraint_object_id int, constraint_column_id int, parent_object_id int, parent_column_id int, referenced_object_id int, referenced_column_id int);
INSERT INTO sys.foreign_key_columns VALUES (389576426, 1, 245575913, 1, 901578250, 1), (709577566, 1, 677577452, 2, 245575913, 1), (709577566, 2, 677577452, 3, 245575913, 2);
CREATE TABLE sys.indexes (object_id int, index_id int, name varchar(128), type int, is_unique smallint, is_primary_key smallint, is_unique_constraint smallint, is_hypothetical smallint, filter_definition varchar(4000));
INSERT INTO sys.indexes VALUES
 (901578250, 1, 'pk_vault_room', 1, 1, 1, 0, 0, null), (901578250, 2, 'UQ__vault_ro__A2B5F1C3', 2, 1, 0, 1, 0, null),
 (245575913, 1, 'pk_rack', 1, 1, 1, 0, 0, null), (245575913, 2, 'ix_rack_note', 2, 0, 0, 0, 0, '([used]>(0))'), (245575913, 3, '_dta_index_rack', 2, 0, 0, 0, 1, null),
 (677577452, 0, null, 0, 0, 0, 0, 0, null), (677577452, 2, 'ux_tray', 2, 1, 0, 0, 0, null), (677577452, 3, 'PK__tray__5C3A8B1F0D2E', 2, 1, 1, 0, 0, null);
CREATE TABLE sys.index_columns (object_id int, index_id int, index_column_id int, column_id int, key_ordinal int, is_descending_key smallint);
INSERT INTO sys.index_columns VALUES
 (901578250, 1, 1, 1, 1, 0), (901578250, 2, 1, 2, 1, 0), (245575913, 1, 1, 1, 1, 0), (245575913, 1, 2, 2, 2, 0),
 (245575913, 2, 1, 17, 1, 0), (245575913, 2, 2, 13, 2, 1), (245575913, 2, 3, 4, 0, 0), (245575913, 3, 1, 4, 1, 0),
 (677577452, 2, 1, 2, 1, 0), (677577452, 2, 2, 3, 2, 0), (677577452, 3, 1, 1, 1, 0);
UPDATE sys.key_constraints SET unique_index_id = 3 WHERE object_id = 693577509;
CREATE TABLE sys.sequences (object_id int, schema_id int, name varchar(128), start_value varchar(20), increment varchar(20));
INSERT INTO sys.sequences VALUES (725577623, 1, 'tray_numbers', '100', '2');
CREATE TABLE sys.objects (object_id int, schema_id int, name varchar(128), type char(2), type_desc varchar(60), is_ms_shipped smallint, create_date timestamp);
INSERT INTO sys.objects VALUES
 (741577680, 1, 'full_racks', 'V ', 'VIEW', 0, '2026-03-02 08:00:05'), (757577737, 1, 'empty_rack', 'P ', 'SQL_STORED_PROCEDURE', 0, '2026-03-02 08:00:06'), (773577794, 1, 'hidden', 'P ', 'SQL_STORED_PROCEDURE', 0, '2026-03-02 08:00:07');
CREATE TABLE sys.sql_modules (object_id int, definition varchar(8000));
INSERT INTO sys.sql_modules VALUES
 (741577680, 'CREATE VIEW dbo.full_racks AS SELECT room_no, rack_no FROM dbo.rack WHERE used = capacity;'),
 (757577737, 'CREATE PROCEDURE dbo.empty_rack @room int AS BEGIN UPDATE dbo.rack SET used = 0 WHERE room_no = @room; END'), (773577794, null);
