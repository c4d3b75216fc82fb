-- == CREATE TABLE with options, keys and prefixes
CREATE TABLE `lot` (`lot_no` int(11) unsigned NOT NULL AUTO_INCREMENT, label varchar(20) CHARACTER SET utf8mb4 COLLATE utf8mb4_bin DEFAULT NULL COMMENT 'what is on it', body text, PRIMARY KEY (lot_no), KEY by_label (label(5)), UNIQUE KEY once (label), FULLTEXT KEY words (body)) ENGINE=InnoDB AUTO_INCREMENT=17 DEFAULT CHARSET=utf8mb4 COMMENT='the lots';
-- == CREATE TABLE LIKE
CREATE TABLE lot (lot_no integer PRIMARY KEY, label varchar(9) NOT NULL DEFAULT 'x', KEY (label));
CREATE TABLE copy LIKE lot;
CREATE TABLE again (LIKE lot);
-- == Columns are placed, changed and renamed
CREATE TABLE lot (lot_no integer, label varchar(9));
ALTER TABLE lot ADD COLUMN first integer FIRST, ADD made date AFTER lot_no, ADD (a tinyint, b year);
ALTER TABLE lot CHANGE COLUMN label title varchar(40) NOT NULL FIRST, MODIFY made datetime(3) NULL AFTER b;
ALTER TABLE lot RENAME COLUMN a TO a2, ALTER COLUMN b SET DEFAULT 2026, ALTER title DROP DEFAULT;
ALTER TABLE lot DROP COLUMN IF EXISTS nothing, DROP first;
ALTER TABLE lot ADD COLUMN IF NOT EXISTS b integer;
-- == Keys come and go
CREATE TABLE taxon (code varchar(9) NOT NULL, PRIMARY KEY (code));
CREATE TABLE lot (lot_no integer NOT NULL, taxon varchar(9), parent integer);
ALTER TABLE lot ADD PRIMARY KEY (lot_no), ADD UNIQUE INDEX once (taxon, parent), ADD INDEX (parent), ADD CONSTRAINT kind FOREIGN KEY (taxon) REFERENCES taxon (code) ON DELETE SET NULL ON UPDATE CASCADE;
ALTER TABLE lot ADD FOREIGN KEY (parent) REFERENCES lot (lot_no);
ALTER TABLE lot ADD CONSTRAINT light CHECK (lot_no > 0), ADD CHECK (parent <> lot_no);
ALTER TABLE lot DROP CONSTRAINT light, DROP FOREIGN KEY kind, DROP INDEX once;
ALTER TABLE lot DROP FOREIGN KEY IF EXISTS nothing, RENAME INDEX parent TO by_parent;
-- == The primary key is another one
CREATE TABLE lot (lot_no integer NOT NULL PRIMARY KEY, label varchar(9) NOT NULL);
ALTER TABLE lot DROP PRIMARY KEY, ADD PRIMARY KEY (label, lot_no);
-- == A dropped column leaves the rest of its indexes
CREATE TABLE lot (a integer, b integer, c integer, KEY abc (a, b, c), UNIQUE ab (a, b), KEY only_c (c));
ALTER TABLE lot DROP COLUMN c;
-- == Tables are renamed
CREATE TABLE a (id integer PRIMARY KEY);
CREATE TABLE b (id integer, CONSTRAINT up FOREIGN KEY (id) REFERENCES a (id));
RENAME TABLE a TO c;
ALTER TABLE b RENAME TO d;
ALTER TABLE d RENAME AS e;
-- == Indexes by themselves
CREATE TABLE lot (lot_no integer, label varchar(40), place point NOT NULL);
CREATE UNIQUE INDEX once USING BTREE ON lot (lot_no DESC, label(7)) COMMENT 'x';
CREATE OR REPLACE INDEX once ON lot (label);
CREATE INDEX IF NOT EXISTS once ON lot (lot_no);
CREATE SPATIAL INDEX at ON lot (place);
DROP INDEX IF EXISTS nothing ON lot;
CREATE INDEX gone ON lot (lot_no);
DROP INDEX gone ON lot;
-- == Computed columns and invisible ones
CREATE TABLE lot (a integer, b integer GENERATED ALWAYS AS (a + 1) VIRTUAL, c integer AS (a * 2) PERSISTENT, d integer AS (a - 1) STORED, e integer INVISIBLE DEFAULT 4, f timestamp NOT NULL DEFAULT current_timestamp() ON UPDATE current_timestamp());
-- == Types as they are written
CREATE TABLE every (a tinyint(1), b smallint unsigned, c mediumint(9) zerofill, d bigint(20), e float(7,3), f double unsigned, g dec(9,3), h fixed(5), i bool, j bit(3), k char(3), l national varchar(9), m tinytext, n mediumtext,
  o longblob, p binary(4), q varbinary(16), r enum('a','it''s'), s set('x','y'), t year(4), u time(2), v datetime, w json, x uuid, y inet6, z serial);
-- == Storage engines that keep no references
CREATE TABLE taxon (code varchar(9) PRIMARY KEY) ENGINE=MyISAM;
CREATE TABLE lot (taxon varchar(9), FOREIGN KEY (taxon) REFERENCES taxon (code)) ENGINE = MyISAM;
-- == Comments that only some servers run
CREATE TABLE /*!32312 IF NOT EXISTS*/ lot (id integer NOT NULL /*!50701 STORAGE DISK */ /*M!100201 COMMENT 'here' */, label varchar(9)) /*!40100 DEFAULT CHARACTER SET utf8mb4 */;
/*!40000 ALTER TABLE lot DISABLE KEYS */;
-- == Partitions
CREATE TABLE reading (taken date NOT NULL, vault integer) PARTITION BY RANGE (YEAR(taken)) (PARTITION p0 VALUES LESS THAN (2025), PARTITION p1 VALUES LESS THAN MAXVALUE);
ALTER TABLE reading DROP PARTITION p0;
ALTER TABLE reading ENGINE=InnoDB, ADD COLUMN warmth decimal(4,1);
ALTER TABLE reading COMMENT = 'what was read', CONVERT TO CHARACTER SET utf8mb4;
-- == Rows do not matter here
CREATE TABLE lot (id integer PRIMARY KEY, label varchar(30));
LOCK TABLES lot WRITE;
INSERT INTO lot (id, label) VALUES (1, 'a;b'), (2, 'it\'s'), (3, "two"), (4, NULL);
REPLACE INTO lot VALUES (1, 'again');
UNLOCK TABLES;
ANALYZE TABLE lot;
OPTIMIZE TABLE lot;
-- == Sequences
CREATE SEQUENCE counting START WITH 5 INCREMENT BY 2;
CREATE OR REPLACE TABLE lot (id bigint DEFAULT NEXT VALUE FOR counting, label varchar(9));
DROP TABLE IF EXISTS nothing;
-- == Names in quotes, in capitals, with dollar and blanks
CREATE TABLE `Seed Lot` (`Lot No` integer PRIMARY KEY, `select` text, UPPER integer, a$b integer, `q``t` integer);
CREATE INDEX `Index One` ON `Seed Lot` (UPPER, `a$b`);
ALTER TABLE `Seed Lot` CHANGE `select` choice varchar(10);
-- == Names that the engine makes up
CREATE TABLE taxon (a integer, b integer, PRIMARY KEY (a), UNIQUE (b));
CREATE TABLE lot (a integer UNIQUE, b integer CHECK (b > 0), c integer, UNIQUE (b, c), UNIQUE (b), KEY (c), KEY (c, a), CHECK (b > c), CHECK (c > a), FOREIGN KEY (a) REFERENCES taxon (a), FOREIGN KEY (b) REFERENCES taxon (b) ON DELETE CASCADE);
ALTER TABLE lot ADD FOREIGN KEY (c) REFERENCES taxon (a), ADD CHECK (a <> b), ADD UNIQUE (c), ADD KEY (c);
-- == Keys in the column definition
CREATE TABLE lot (a integer NOT NULL KEY, b integer UNIQUE KEY COMMENT 'b', c integer);
-- == Defaults of every kind
CREATE TABLE lot (a integer DEFAULT 5, b varchar(9) DEFAULT 'it''s', c varchar(9) DEFAULT "two", d datetime DEFAULT CURRENT_TIMESTAMP ON UPDATE CURRENT_TIMESTAMP, e timestamp NULL DEFAULT NULL, f integer DEFAULT (1 + 2), g bit(1) DEFAULT b'1', h decimal(5,2) DEFAULT 1.50, i uuid DEFAULT uuid(), j date DEFAULT '2026-01-01', k bool DEFAULT true, l text DEFAULT 'x', m double DEFAULT -1.5e3);
-- == Sets of statements in one ALTER
CREATE TABLE lot (a integer, b varchar(9), c date);
ALTER TABLE lot ADD COLUMN d integer NOT NULL DEFAULT 1 AFTER b, ADD INDEX by_b (b), MODIFY COLUMN c datetime, DROP COLUMN a, RENAME TO lots, COMMENT 'all', AUTO_INCREMENT = 5;
ALTER TABLE lots ALTER INDEX by_b IGNORED, ROW_FORMAT = DYNAMIC, ALGORITHM = INPLACE, LOCK = NONE;
ALTER IGNORE TABLE lots ADD UNIQUE KEY IF NOT EXISTS once (b);
ALTER TABLE lots DROP KEY IF EXISTS never, DROP KEY once, FORCE;
-- == Views, routines, triggers and events
CREATE TABLE lot (a integer, b varchar(9));
DELIMITER //
CREATE PROCEDURE p(IN x integer) BEGIN DECLARE y integer DEFAULT 1; IF x > y THEN UPDATE lot SET a = x; END IF; END//
CREATE FUNCTION f() RETURNS integer DETERMINISTIC BEGIN RETURN 1; END//
CREATE TRIGGER t BEFORE INSERT ON lot FOR EACH ROW BEGIN SET NEW.b = 'x;y'; END//
DELIMITER ;
CREATE OR REPLACE VIEW v AS SELECT a FROM lot;
DROP VIEW v;
DROP PROCEDURE IF EXISTS p;
DROP FUNCTION f;
DROP TRIGGER t;
CREATE TABLE later (id integer PRIMARY KEY);
-- == Periods and system versions
CREATE TABLE lot (id integer PRIMARY KEY, valid_from date, valid_to date, PERIOD FOR valid (valid_from, valid_to));
CREATE TABLE kept (id integer PRIMARY KEY, label varchar(9)) WITH SYSTEM VERSIONING;
-- == Tables from queries and for a while
CREATE TABLE lot (a integer PRIMARY KEY, b varchar(9));
CREATE TEMPORARY TABLE passing (x integer);
DROP TEMPORARY TABLE passing;
CREATE TABLE IF NOT EXISTS lot (other integer);
SET FOREIGN_KEY_CHECKS = 0;
SET @saved = @@sql_mode, sql_mode = 'NO_AUTO_VALUE_ON_ZERO';
SET NAMES utf8mb4;
START TRANSACTION;
COMMIT;
-- == A type changes under keys, names change in references
CREATE TABLE taxon (code varchar(9) PRIMARY KEY, rank varchar(9), KEY (rank));
CREATE TABLE lot (id integer AUTO_INCREMENT PRIMARY KEY, taxon varchar(9) NOT NULL, rank varchar(9), CONSTRAINT kind FOREIGN KEY (taxon) REFERENCES taxon (code), FOREIGN KEY by_rank (rank) REFERENCES taxon (rank) ON UPDATE CASCADE);
ALTER TABLE lot CHANGE rank grade varchar(9) DEFAULT 'x';
ALTER TABLE taxon CHANGE rank level varchar(9);
ALTER TABLE lot MODIFY id bigint unsigned NOT NULL AUTO_INCREMENT;
ALTER TABLE taxon RENAME TO kinds;
-- == Checks of every kind
CREATE TABLE lot (a integer, b varchar(9), c date, d decimal(5,2) CHECK (d >= 0), CHECK (a BETWEEN 1 AND 9), CHECK (b LIKE 'a%' OR b IS NULL), CHECK (b IN ('x', 'y')), CHECK (c > '2020-01-01'), CHECK (length(b) <= 9), CHECK (b REGEXP '^[a-z]+$'), CHECK (NOT (a = 5)), CHECK (coalesce(a, 0) < 5), CHECK (a IS NOT NULL OR b IS NOT NULL), CHECK (CASE WHEN a > 5 THEN b <> '' ELSE true END), CHECK (a % 2 = 0), CHECK (a <=> 5), CHECK (a != 7 AND b), CHECK (json_valid(b)));
-- == Dumps
/*!40101 SET @OLD_CHARACTER_SET_CLIENT=@@CHARACTER_SET_CLIENT */;
/*!40101 SET NAMES utf8mb4 */;
/*!40014 SET @OLD_FOREIGN_KEY_CHECKS=@@FOREIGN_KEY_CHECKS, FOREIGN_KEY_CHECKS=0 */;
DROP TABLE IF EXISTS `lot`;
/*!40101 SET character_set_client = utf8 */;
CREATE TABLE `lot` (
  `id` int(11) NOT NULL AUTO_INCREMENT,
  `label` varchar(255) NOT NULL DEFAULT '',
  `made` timestamp NOT NULL DEFAULT current_timestamp() ON UPDATE current_timestamp(),
  `kind` enum('a','b;c','d''e') DEFAULT 'a',
  `price` decimal(10,2) unsigned DEFAULT 0.00,
  `body` longtext CHARACTER SET utf8mb3 COLLATE utf8mb3_general_ci DEFAULT NULL,
  PRIMARY KEY (`id`),
  UNIQUE KEY `label` (`label`(191)),
  KEY `kind_made` (`kind`,`made`) USING BTREE COMMENT 'both',
  FULLTEXT KEY `body` (`body`)
) ENGINE=InnoDB AUTO_INCREMENT=5 DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_general_ci ROW_FORMAT=DYNAMIC COMMENT='it''s the lots';
LOCK TABLES `lot` WRITE;
/*!40000 ALTER TABLE `lot` DISABLE KEYS */;
INSERT INTO `lot` VALUES (1,'a\'b;','2020-01-01 00:00:00','b;c',1.50,NULL),(2,'-- no','2020-01-01 00:00:00','a',0,'x\\');
/*!40000 ALTER TABLE `lot` ENABLE KEYS */;
UNLOCK TABLES;
/*!50003 DROP PROCEDURE IF EXISTS never */;
-- == Keys that stand in for each other
CREATE TABLE taxon (id integer PRIMARY KEY);
CREATE TABLE lot (a integer, b integer, c integer, CONSTRAINT one FOREIGN KEY (a) REFERENCES taxon (id));
ALTER TABLE lot ADD KEY mine (a, b);
ALTER TABLE lot ADD CONSTRAINT two FOREIGN KEY (b) REFERENCES taxon (id), ADD UNIQUE KEY (c, b);
ALTER TABLE lot DROP FOREIGN KEY two;
ALTER TABLE lot DROP KEY two;
-- == Chains over years: columns come, move and go
CREATE TABLE member (id int NOT NULL AUTO_INCREMENT, name varchar(50) NOT NULL, mail varchar(80), PRIMARY KEY (id), UNIQUE KEY mail (mail));
ALTER TABLE member ADD active tinyint(1) AFTER name;
UPDATE member SET active = 1;
ALTER TABLE member MODIFY active tinyint(1) NOT NULL DEFAULT 1;
RENAME TABLE member TO members;
CREATE TABLE role (code varchar(9) PRIMARY KEY);
ALTER TABLE members ADD role varchar(9) DEFAULT 'plain', ADD CONSTRAINT fk_role FOREIGN KEY (role) REFERENCES role (code) ON UPDATE CASCADE;
ALTER TABLE members DROP FOREIGN KEY fk_role, DROP KEY fk_role;
ALTER TABLE members ADD KEY role_active (role, active), DROP INDEX mail, ADD UNIQUE KEY mail_name (mail(20), name(10));
ALTER TABLE members CHANGE mail email varchar(120) CHARACTER SET ascii NOT NULL DEFAULT '', DROP COLUMN active;
ALTER TABLE members MODIFY id bigint NOT NULL FIRST;
ALTER TABLE members DROP PRIMARY KEY, ADD COLUMN no int AUTO_INCREMENT PRIMARY KEY FIRST;
DROP TABLE role;
-- == Comments everywhere
CREATE /* why */ TABLE # this
lot ( -- that
  id /* key */ int /* of all */ NOT NULL, -- first; really
  label varchar(30) DEFAULT 'a -- b # c' COMMENT 'x;y' # last
) /* z */ COMMENT='a;b'; -- end
-- == Exotic columns
CREATE TABLE lot (id int PRIMARY KEY, a varchar(20) COMPRESSED, b int WITHOUT SYSTEM VERSIONING, d inet4, f long varchar, g int(3) zerofill, h varchar(5) BINARY, i nchar(4), j character varying(7), k double precision(8,2), l real, m int1, n int8, o middleint, p bit, q text(100), r blob(70000), s long) WITH SYSTEM VERSIONING;
-- == Tables with row start and end of their own
CREATE TABLE lot (id int PRIMARY KEY, f timestamp(6) GENERATED ALWAYS AS ROW START, t timestamp(6) GENERATED ALWAYS AS ROW END, PERIOD FOR SYSTEM_TIME (f, t)) WITH SYSTEM VERSIONING;
SET system_versioning_alter_history = 1;
ALTER TABLE lot DROP PERIOD FOR SYSTEM_TIME, DROP COLUMN f, DROP COLUMN t, DROP SYSTEM VERSIONING;
-- == Text in the character set of bytes
CREATE TABLE lot (id int PRIMARY KEY, a char(9) BYTE, b varchar(9) CHARACTER SET binary NOT NULL, c text CHARSET binary, d mediumtext CHARACTER SET binary, e varchar(5) CHARACTER SET ascii);
ALTER TABLE lot ADD f varchar(7) BYTE DEFAULT 'x', MODIFY e varchar(5) CHARACTER SET binary;
-- == Escapes in texts
CREATE TABLE lot (a varchar(9) DEFAULT 'a\tb', b varchar(9) DEFAULT "it's", c int COMMENT 'one two\'s \\', d varchar(9) DEFAULT 'it''s');
-- == Keys with settings of their own
CREATE TABLE parent (id int PRIMARY KEY) ENGINE=InnoDB;
CREATE TABLE lot (id int PRIMARY KEY, p int, FOREIGN KEY mine (p) REFERENCES parent (id), INDEX a (p) KEY_BLOCK_SIZE = 4 COMMENT 'y', UNIQUE INDEX b (p) USING HASH) COMMENT 'x' STATS_PERSISTENT=1;
CREATE TABLE plain (id int PRIMARY KEY, p int, FOREIGN KEY (p) REFERENCES parent (id)) ENGINE=MyISAM COMMENT 'x';
