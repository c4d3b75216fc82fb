CREATE TABLE vault_room (
    room_no     int          NOT NULL AUTO_INCREMENT PRIMARY KEY,
    label       varchar(60)  NOT NULL UNIQUE,
    target_temp decimal(4,1) NOT NULL DEFAULT -18.5,
    mood        enum('calm', 'humid') NOT NULL DEFAULT 'calm',
    opened      date,
    seen_at     timestamp(3) NULL DEFAULT CURRENT_TIMESTAMP(3) ON UPDATE CURRENT_TIMESTAMP(3),
    KEY ix_label ((lower(label)))
) COMMENT = 'A room';
CREATE TABLE rack (
    room_no  int      NOT NULL,
    rack_no  smallint NOT NULL,
    capacity int unsigned NOT NULL DEFAULT 0 COMMENT 'How many trays fit',
    used     int      NOT NULL DEFAULT 0,
    free     int      GENERATED ALWAYS AS (capacity - used) VIRTUAL,
    twice    int      GENERATED ALWAYS AS (used * 2) STORED,
    note     varchar(200) DEFAULT (concat('no', 'thing')),
    facts    json,
    checked  tinyint(1) NOT NULL DEFAULT 1,
    PRIMARY KEY (room_no, rack_no),
    CONSTRAINT fk_rack_room FOREIGN KEY (room_no) REFERENCES vault_room (room_no) ON DELETE CASCADE,
    CONSTRAINT ck_used CHECK (used <= capacity AND (note IS NULL OR note <> '?')),
    KEY ix_used (used DESC, note(20)),
    FULLTEXT KEY ft_note (note)
);
CREATE TABLE tray (
    tray_no bigint unsigned NOT NULL PRIMARY KEY,
    room_no int,
    rack_no smallint,
    CONSTRAINT fk_tray_rack FOREIGN KEY (room_no, rack_no) REFERENCES rack (room_no, rack_no) ON DELETE SET NULL ON UPDATE CASCADE
);
CREATE VIEW full_racks AS SELECT room_no, rack_no FROM rack WHERE used = capacity;
