-- dump of a made-up vault
/*!40101 SET @OLD_CHARACTER_SET_CLIENT=@@CHARACTER_SET_CLIENT */;
/*!40014 SET @OLD_FOREIGN_KEY_CHECKS=@@FOREIGN_KEY_CHECKS, FOREIGN_KEY_CHECKS=0 */;
DROP TABLE IF EXISTS `taxon`;
CREATE TABLE `taxon` (
  `taxon_id` int(11) unsigned NOT NULL AUTO_INCREMENT COMMENT 'its number; what else',
  `name` varchar(120) CHARACTER SET utf8mb4 COLLATE utf8mb4_bin NOT NULL DEFAULT '',
  `rank` enum('family','genus','it''s') DEFAULT 'genus',
  `flags` set('a','b') DEFAULT NULL,
  `small` tinyint(1) DEFAULT '0',
  `money` decimal(10,2) unsigned zerofill DEFAULT '00000000.00',
  `note` mediumtext,
  `blobby` longblob,
  `seen` timestamp NOT NULL DEFAULT current_timestamp() ON UPDATE current_timestamp(),
  `made` datetime(3) DEFAULT NULL,
  `half` double GENERATED ALWAYS AS (`taxon_id` / 2) VIRTUAL,
  PRIMARY KEY (`taxon_id`),
  UNIQUE KEY `name` (`name`,`rank`),
  KEY `note_start` (`note`(20)),
  FULLTEXT KEY `words` (`note`)
) ENGINE=InnoDB AUTO_INCREMENT=42 DEFAULT CHARSET=utf8mb4 COMMENT='plants; all of them';
LOCK TABLES `taxon` WRITE;
/*!40000 ALTER TABLE `taxon` DISABLE KEYS */;
INSERT INTO `taxon` (`taxon_id`, `name`) VALUES (1,'it\'s; here'),(2,'two -- three');
/*!40000 ALTER TABLE `taxon` ENABLE KEYS */;
UNLOCK TABLES;
create table accession (no char(9) primary key, taxon int unsigned, foreign key (taxon) references taxon (taxon_id) on delete set null, key (taxon), check (no <> ''), data json) engine=innodb;
create table germination (no char(9) not null, run smallint, rate float(5,2), primary key (no, run), constraint g_a foreign key (no) references accession (no) on delete cascade on update cascade);
alter table accession add column seeds int not null default 0 after no, add `first` bit(1) first, add unique index u_seeds (seeds), add index (seeds, taxon);
alter table accession change seeds seed_count bigint default 5, modify `first` tinyint(2) not null, drop index u_seeds;
alter table accession add constraint chk check (seed_count >= 0), rename index seeds to by_seeds, comment = 'lots';
alter table germination drop foreign key g_a, drop primary key, add id int not null auto_increment primary key;
alter table germination add constraint g_b foreign key (no) references accession (no);
# a comment; with a semicolon
DELIMITER //
CREATE TRIGGER tr BEFORE INSERT ON taxon FOR EACH ROW BEGIN IF NEW.name = '' THEN SET NEW.name = 'x'; END IF; END//
DELIMITER ;
create table like_it like taxon;
rename table germination to test_run, like_it to taxon_copy;
create table gone (x int); drop table gone;
create or replace view v as select * from taxon;
create index desc_ix on test_run (run desc, no(4));
