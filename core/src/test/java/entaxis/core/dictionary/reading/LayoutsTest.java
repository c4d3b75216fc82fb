package entaxis.core.dictionary.reading;

import static org.assertj.core.api.Assertions.assertThat;

import entaxis.core.dictionary.reading.ReadDictionary.ReadAttribute;
import entaxis.core.dictionary.reading.ReadDictionary.ReadEntity;
import java.util.Arrays;
import java.util.List;
import org.junit.jupiter.api.Test;

/** One small business, kept as a dictionary by twelve people: what is understood is the same each time. */
class LayoutsTest {
    private static SheetTable sheet(String name, String text) {
        return new SheetTable(name,
                text.lines().map(line -> Arrays.stream(line.split("\\|", -1)).map(String::strip).toList()).toList());
    }

    /**
     * Jar(jar_no PK char(6), filled_on date required, weight numeric(7,2)), Shelf(shelf_no PK integer); each jar stands
     * on a shelf.
     */
    private static void understood(SheetTable... sheets) {
        ReadDictionary read = DictionaryReader.read(List.of(sheets));
        assertThat(read.missed()).isEmpty();
        assertThat(read.entities()).extracting(entity -> entity.name().toLowerCase()).containsExactlyInAnyOrder("jar",
                "shelf");
        ReadEntity jar = read.entities().stream().filter(entity -> entity.name().equalsIgnoreCase("jar")).findFirst()
                .orElseThrow();
        assertThat(jar.attributes()).extracting(ReadAttribute::name).containsExactly("jar_no", "filled_on", "weight");
        assertThat(jar.attributes()).extracting(attribute -> attribute.type().orElseThrow().text())
                .containsExactly("char(6)", "date", "numeric(7,2)");
        assertThat(jar.attributes()).extracting(ReadAttribute::rank).containsExactly(1, 0, 0);
        assertThat(jar.attributes()).extracting(attribute -> attribute.required().orElse(false)).containsExactly(true,
                true, false);
        assertThat(jar.attributes().get(1).meaning()).isEqualTo("day it was filled");
        assertThat(read.relationships()).hasSize(1);
        assertThat(read.relationships().getFirst()).satisfies(relationship -> {
            assertThat(relationship.to()).isEqualToIgnoringCase("shelf");
            assertThat(relationship.required()).isTrue();
            assertThat(relationship.columns()).extracting(ReadAttribute::name).containsExactly("shelf_no");
            assertThat(relationship.rank()).isZero();
        });
    }

    @Test
    void oneListInSqlWords() {
        understood(sheet("dictionary", """
                Table|Column|Data type|Key|Null|References|Description
                jar|jar_no|char(6)|PK|not null||painted on the lid
                jar|filled_on|date||not null||day it was filled
                jar|weight|numeric(7,2)||null||
                jar|shelf_no|integer|FK|not null|shelf|
                shelf|shelf_no|integer|PK|not null||"""));
    }

    @Test
    void oneListWithTheEntityWrittenOnce() {
        understood(sheet("Sheet1", """
                The jars of the vault||||||
                ||||||
                Entity|Attribute|Type|Length|Primary key|Mandatory|Foreign key|Meaning
                Jar|jar_no|char|6|x|x||painted on the lid
                |filled_on|date|||x||day it was filled
                |weight|number|7,2||||
                |shelf_no|whole number|||x|Shelf|
                Shelf|shelf_no|whole number||x|x||"""));
    }

    @Test
    void aSheetForEachEntity() {
        understood(sheet("Jar", """
                Field|Type|PK|Required|Related to|Notes
                jar_no|Char 6|yes|yes||painted on the lid
                filled_on|Date|no|yes||day it was filled
                weight|Number(7,2)|no|no||
                shelf_no|Integer|no|yes|Shelf|"""), sheet("Shelf", """
                Field|Type|PK|Required|Related to|Notes
                shelf_no|Integer|yes|yes||"""));
    }

    @Test
    void severalTablesOnOneSheetWithTheirNamesAbove() {
        understood(sheet("all", """
                Table: Jar|||||
                Name|Type|Key|Optional|References|Comment
                jar_no|char (6)|PK|no||
                filled_on|date||no||day it was filled
                weight|decimal 7,2||yes||
                shelf_no|int|FK|no|Shelf (shelf_no)|
                |||||
                Table: Shelf|||||
                Name|Type|Key|Optional|References|Comment
                shelf_no|int|PK|no||"""));
    }

    @Test
    void keysAndReferencesInOneColumn() {
        understood(sheet("x", """
                Class|Property|Format|Constraint|Not null|Definition
                Jar|jar_no|CHAR(6)|primary key|Y|
                Jar|filled_on|DATE||Y|day it was filled
                Jar|weight|NUMBER(7,2)||N|
                Jar|shelf_no|INTEGER|FK Shelf|Y|
                Shelf|shelf_no|INTEGER|primary key|Y|"""));
    }

    @Test
    void lengthAndDecimalsApart() {
        understood(sheet("x", """
                Table name|Field name|Data type|Size|Decimals|PK/FK|Required?|Lookup|Explanation
                Jar|jar_no|Character|6||PK|Yes||
                Jar|filled_on|Date||||Yes||day it was filled
                Jar|weight|Decimal|7|2||No||
                Jar|shelf_no|Integer|||FK|Yes|Shelf|
                Shelf|shelf_no|Integer|||PK|Yes||"""));
    }

    @Test
    void ticksAndMandatoryOrOptional() {
        understood(sheet("x", """
                Entity|Data element|Kind of data|Is key|M/O|Refers to|Remarks
                Jar|jar_no|char(6)|✓|M||
                Jar|filled_on|date||M||day it was filled
                Jar|weight|numeric(7,2)||O||
                Jar|shelf_no|integer||M|→ Shelf|
                Shelf|shelf_no|integer|✓|M||"""));
    }

    @Test
    void inCapitalsWithUnderscores() {
        understood(sheet("X", """
                TABLE_NAME|COLUMN_NAME|DATA_TYPE|NULLABLE|PRIMARY_KEY|FK_TABLE|COMMENTS
                JAR|jar_no|CHAR(6)|N|Y||
                JAR|filled_on|DATE|N|||day it was filled
                JAR|weight|NUMBER(7,2)|Y|||
                JAR|shelf_no|INTEGER|N||SHELF|
                SHELF|shelf_no|INTEGER|N|Y||"""));
    }

    @Test
    void columnsInAnotherOrderAndSomeThatNobodyNeeds() {
        understood(sheet("x", """
                No.|Meaning|Attribute|Owner|Example|Type|Entity|Mandatory|Key|Foreign key to
                1||jar_no|Ilvy|A00001|char(6)|Jar|yes|PK|
                2|day it was filled|filled_on|Ilvy|2026-03-02|date|Jar|yes||
                3||weight|Ilvy|12.50|numeric(7,2)|Jar|no||
                4||shelf_no|Ilvy|3|integer|Jar|yes|FK|Shelf
                5||shelf_no|Ilvy|3|integer|Shelf|yes|PK|"""));
    }

    @Test
    void entitiesDescribedOnASheetOfTheirOwn() {
        SheetTable entities = sheet("Entities", """
                Entity|Description
                Jar|a sealed jar of seed
                Shelf|a shelf in the cold room""");
        SheetTable fields = sheet("Fields", """
                Entity|Field|Type|Key|Required|References|Description
                Jar|jar_no|char(6)|PK|yes||
                Jar|filled_on|date||yes||day it was filled
                Jar|weight|numeric(7,2)||no||
                Jar|shelf_no|integer|FK|yes|Shelf|
                Shelf|shelf_no|integer|PK|yes||""");
        understood(entities, fields);
        assertThat(DictionaryReader.read(List.of(entities, fields)).entities().getFirst().meaning())
                .isEqualTo("a sealed jar of seed");
    }

    @Test
    void referencesByColumnAndThePluralOfTheEntity() {
        understood(sheet("x", """
                Table|Field|Type|Primary key|Not null|References|Comment
                Jar|jar_no|char(6)|yes|yes||
                Jar|filled_on|date|no|yes||day it was filled
                Jar|weight|numeric(7,2)|no|no||
                Jar|shelf_no|integer|no|yes|shelves.shelf_no|
                Shelf|shelf_no|integer|yes|yes||"""));
    }

    @Test
    void valueColumnInWords() {
        understood(sheet("x", """
                Entity|Attribute|Key|Type|Value|References|Meaning
                Jar|jar_no|1 PK|char(6)|required||
                Jar|filled_on||date|required||day it was filled
                Jar|weight||numeric(7,2)|may be empty||
                Jar|shelf_no|FK|integer|required|Shelf|
                Shelf|shelf_no|1 PK|integer|required||"""));
    }

    @Test
    void whatIsNotUnderstoodIsSaidWithItsPlace() {
        ReadDictionary read = DictionaryReader.read(List.of(sheet("Jars", """
                Entity|Attribute|Type|References
                Jar|jar_no|squiggle|
                Jar|jar_no|integer|
                Jar|at|integer|Cellar
                Jar||date|"""), sheet("Notes", "hello|there")));
        assertThat(read.missed())
                .extracting(missed -> missed.sheet() + " " + missed.column() + missed.row() + " " + missed.text())
                .containsExactlyInAnyOrder("Jars C2 squiggle", "Jars B3 jar_no", "Jars D4 Cellar", "Jars B5 Jar  date",
                        "Notes A1 ");
        assertThat(read.entities().getFirst().attributes()).extracting(ReadAttribute::name).containsExactly("jar_no",
                "at");
    }

    @Test
    void typesAsPeopleWriteThem() {
        List<List<String>> cases = List.of(List.of("Varchar 20", "varchar(20)"), List.of("Text (50)", "varchar(50)"),
                List.of("number(9,2)", "numeric(9,2)"), List.of("whole number", "integer"),
                List.of("yes/no", "boolean"), List.of("date/time", "timestamp"),
                List.of("Alphanumeric 10", "varchar(10)"), List.of("long text", "text"),
                List.of("Currency", "numeric(12,2)"),
                List.of("AutoNumber", "integer"), List.of("text", "text"), List.of("String", "varchar"),
                List.of("int unsigned", "integer unsigned"), List.of("N(5)", "numeric(5)"), List.of("GUID", "uuid"));
        for (List<String> one : cases) {
            assertThat(LooseType.read(one.get(0), "", "").map(type -> type.text())).as(one.get(0)).contains(one.get(1));
        }
        assertThat(LooseType.read("text", "30", "").map(type -> type.text())).contains("varchar(30)");
        assertThat(LooseType.read("number", "9", "2").map(type -> type.text())).contains("numeric(9,2)");
        assertThat(LooseType.read("integer", "10", "").map(type -> type.text())).contains("integer");
        assertThat(LooseType.read("squiggle", "", "")).isEmpty();
    }
}
