-- == CREATE TABLE as MySQL 8 gives it
CREATE TABLE `lot` (
  `id` bigint unsigned NOT NULL AUTO_INCREMENT,
  `code` varchar(20) CHARACTER SET ascii COLLATE ascii_bin DEFAULT NULL,
  `doc` json DEFAULT NULL,
  `twice` int GENERATED ALWAYS AS ((`n` * 2)) STORED,
  `n` int DEFAULT (abs(-5)),
  `place` point NOT NULL /*!80003 SRID 4326 */,
  `made` timestamp NOT NULL DEFAULT CURRENT_TIMESTAMP ON UPDATE CURRENT_TIMESTAMP,
  `secret` int /*!80023 INVISIBLE */,
  PRIMARY KEY (`id`),
  KEY `functional` ((lower(`code`)),`n` DESC),
  KEY `hidden` (`n`) /*!80000 INVISIBLE */,
  SPATIAL KEY `place` (`place`),
  CONSTRAINT `light` CHECK ((`n` >= 0)) /*!80016 NOT ENFORCED */
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_0900_ai_ci;
-- == ALTER TABLE of MySQL 8
CREATE TABLE lot (a int, b varchar(9), c date);
ALTER TABLE lot ADD CONSTRAINT light CHECK (a > 0) NOT ENFORCED, ALTER CHECK light ENFORCED;
ALTER TABLE lot RENAME COLUMN a TO number, ALTER COLUMN b SET DEFAULT (uuid()), ALTER COLUMN c SET INVISIBLE;
ALTER TABLE lot ADD INDEX by_b (b) INVISIBLE, ALTER INDEX by_b VISIBLE, RENAME INDEX by_b TO labelled;
ALTER TABLE lot DROP CHECK light, ADD PRIMARY KEY (number);
ALTER TABLE lot DROP CONSTRAINT `PRIMARY`;
ALTER TABLE lot ADD COLUMN d int DEFAULT 1, ALGORITHM=INSTANT;
ALTER TABLE lot PARTITION BY HASH (number) PARTITIONS 4;
ALTER TABLE lot REMOVE PARTITIONING;
ALTER TABLE lot ORDER BY number;
ALTER TABLE lot DISCARD TABLESPACE;
-- == Names made up by MySQL
CREATE TABLE taxon (a int PRIMARY KEY);
CREATE TABLE lot (a int, b int, CHECK (a > 0), CHECK (b > a), UNIQUE (a), UNIQUE (a, b), KEY (b), FOREIGN KEY (a) REFERENCES taxon (a), FOREIGN KEY fast (b) REFERENCES taxon (a) ON DELETE SET NULL);
ALTER TABLE lot ADD CHECK (a <> b), ADD FOREIGN KEY (b) REFERENCES taxon (a);
-- == Routines, events and delimiters
DELIMITER $$
CREATE DEFINER=`root`@`%` PROCEDURE p(IN a int)
BEGIN
  IF a > 0 THEN SELECT 1; END IF;
END$$
CREATE TRIGGER t AFTER INSERT ON lot FOR EACH ROW FOLLOWS s BEGIN SET @x = 1; END$$
CREATE EVENT e ON SCHEDULE EVERY 1 DAY DO BEGIN DELETE FROM lot; END$$
DELIMITER ;
CREATE ALGORITHM=MERGE DEFINER=`root`@`localhost` SQL SECURITY INVOKER VIEW v AS select 1 AS n;
CREATE TABLE after_it (id int);
DROP EVENT IF EXISTS e;
ALTER EVENT e DISABLE;
-- == Settings, permissions and upkeep
CREATE DATABASE IF NOT EXISTS vault;
USE vault;
CREATE USER 'u'@'%' IDENTIFIED BY 'x';
GRANT ALL ON vault.* TO 'u'@'%';
CREATE ROLE r;
SET GLOBAL x = 1;
FLUSH TABLES;
OPTIMIZE TABLE lot;
CHECK TABLE lot;
REPAIR TABLE lot;
KILL 5;
LOAD DATA INFILE 'x' INTO TABLE lot;
HANDLER lot OPEN;
CALL p(1);
XA START 'x';
CHANGE REPLICATION SOURCE TO SOURCE_HOST = 'x';
CREATE TABLE lot (id int);
DO SLEEP(1);
INSTALL PLUGIN x SONAME 'y';
CREATE SERVER s FOREIGN DATA WRAPPER mysql OPTIONS (HOST 'x');
CREATE SPATIAL REFERENCE SYSTEM 5 NAME 'x' DEFINITION 'y';
SHOW TABLES;
EXPLAIN SELECT 1;
TABLE lot;
VALUES ROW(1);
RESET MASTER;
PREPARE s FROM 'SELECT 1';
EXECUTE s;
DEALLOCATE PREPARE s;
-- == Modes that change what quotes and backslashes mean
SET sql_mode = 'ANSI_QUOTES,NO_BACKSLASH_ESCAPES';
CREATE TABLE "lot" ("id" int DEFAULT 5, note varchar(9) DEFAULT 'a\', KEY "by note" ("note"));
CREATE TABLE second (note varchar(9) DEFAULT 'a\', "id" int);
-- == Escapes in texts
CREATE TABLE lot (a varchar(9) DEFAULT 'a\tb', b varchar(9) DEFAULT "it's", c int COMMENT 'one\ntwo\'s \\ \0');
-- == What is not there
ALTER TABLE lot ADD a int;
CREATE TABLE lot (id int, a int, PRIMARY KEY (id), KEY k (a));
ALTER TABLE lot DROP FOREIGN KEY nowhere;
ALTER TABLE lot DROP INDEX nowhere;
ALTER TABLE lot DROP INDEX `PRIMARY`;
ALTER TABLE lot CHANGE a id int;
RENAME TABLE nowhere TO somewhere, lot TO lots;
ALTER TABLE lots RENAME TO other.lots;
DROP PREPARE q;
-- == Engines that keep no references, and are changed
CREATE TABLE parent (id int PRIMARY KEY) ENGINE=InnoDB;
CREATE TABLE lot (id int PRIMARY KEY, p int, FOREIGN KEY (p) REFERENCES parent (id)) COMMENT 'x' ENGINE=MyISAM KEY_BLOCK_SIZE=8 STATS_PERSISTENT=1;
CREATE TABLE other (id int PRIMARY KEY, p int, FOREIGN KEY mine (p) REFERENCES parent (id), INDEX a (p) KEY_BLOCK_SIZE = 4 COMMENT 'y', UNIQUE INDEX b (p) USING HASH);
-- == Binlog and groups
BINLOG 'x';
SET GLOBAL read_only = 1;
SET NAMES utf8mb4;
START GROUP_REPLICATION;
