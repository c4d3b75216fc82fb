package entaxis.core.dependency;

import static org.assertj.core.api.Assertions.assertThat;

import entaxis.core.dependency.Dependency.Functional;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import org.junit.jupiter.api.Test;

/** Worked examples of textbooks and papers. All are quoted from memory. */
class TextbookTest {
    private static Relation relation(String text) {
        RelationReader.Result result = RelationReader.read(text);
        assertThat(result.fault()).isEmpty();
        return result.relations().getFirst();
    }

    private static List<String> keys(Relation relation) {
        return CandidateKeys.of(relation, CandidateKeys.MAX_COUNT).keys().stream().map(relation::text).toList();
    }

    private static List<String> texts(Relation relation, List<? extends Dependency> dependencies) {
        return dependencies.stream().map(relation::text).toList();
    }

    private static List<String> sets(Decomposition decomposition) {
        return decomposition.sets().stream().map(decomposition.of()::text).sorted().toList();
    }

    private static List<String> faults(Relation relation) {
        return Verdict.of(relation).violations().stream().map(violation -> violation.form().sign() + " "
                + violation.kind().word() + ": " + relation.text(violation.dependency())).toList();
    }

    /** J. D. Ullman, Principles of Database Systems, chapter on design theory: the closure of BD. */
    @Test
    void ullmanClosure() {
        Relation relation = relation(
                "R(A, B, C, D, E, G)\nA, B -> C\nC -> A\nB, C -> D\nA, C, D -> B\nD -> E, G\nB, E -> C\nC, G -> B, D\n"
                        + "C, E -> A, G");
        assertThat(new Closure(6, relation.functional()).of(AttributeSet.of(1, 3))).isEqualTo(relation.all());
        assertThat(new Closure(6, relation.functional()).of(AttributeSet.of(3))).isEqualTo(AttributeSet.of(3, 4, 5));
    }

    /**
     * J. D. Ullman: course, teacher, hour, room, student, grade; the only key is hour and student. His synthesis makes
     * a relation of each dependency; that of the paper joins those of H, R and H, T, which decide each other, and C ->
     * T then lies within the joined one, whose T is prime.
     */
    @Test
    void ullmanCourses() {
        Relation relation = relation("CTHRSG(C, T, H, R, S, G)\nC -> T\nH, R -> C\nH, T -> R\nC, S -> G\nH, S -> R");
        assertThat(keys(relation)).containsExactly("H, S");
        assertThat(sets(Synthesis.of(relation))).containsExactly("C, S, G", "C, T, H, R", "H, R, S");
        Decomposition boyceCodd = BoyceCoddDecomposition.of(relation);
        assertThat(boyceCodd.lossless()).isTrue();
        assertThat(sets(boyceCodd)).contains("C, S, G", "C, T");
        assertThat(texts(relation, boyceCodd.lost())).contains("T, H -> R");
    }

    /**
     * R. Elmasri and S. Navathe, Fundamentals of Database Systems, chapter on normalization: EMP_PROJ is in 1NF,
     * EMP_DEPT in 2NF.
     */
    @Test
    void elmasriNavatheEmployees() {
        Relation project = relation(
                "EMP_PROJ(Ssn, Pnumber, Hours, Ename, Pname, Plocation)\nSsn, Pnumber -> Hours\nSsn -> Ename\nPnumber "
                        + "-> Pname, Plocation");
        assertThat(keys(project)).containsExactly("Ssn, Pnumber");
        assertThat(Verdict.of(project).form()).isEqualTo(NormalForm.FIRST);
        assertThat(faults(project)).containsExactly("2NF partial: Ssn -> Ename",
                "2NF partial: Pnumber -> Pname, Plocation");
        assertThat(sets(Synthesis.of(project))).containsExactly("Pnumber, Pname, Plocation", "Ssn, Ename",
                "Ssn, Pnumber, Hours");
        Relation department = relation(
                "EMP_DEPT(Ename, Ssn, Bdate, Address, Dnumber, Dname, Dmgr_ssn)\nSsn -> Ename, Bdate, Address, "
                        + "Dnumber\nDnumber -> Dname, Dmgr_ssn");
        assertThat(Verdict.of(department).form()).isEqualTo(NormalForm.SECOND);
        assertThat(faults(department)).containsExactly("3NF transitive: Dnumber -> Dname, Dmgr_ssn");
    }

    /**
     * Elmasri and Navathe: LOTS has two keys; FD3 keeps it from 2NF, FD4 from 3NF, and area to county (FD5) from BCNF.
     */
    @Test
    void elmasriNavatheLots() {
        String lots =
                "LOTS(Property_id, County_name, Lot, Area, Price, Tax_rate)\nProperty_id -> County_name, Lot, Area, "
                        + "Price, Tax_rate\n"
                + "County_name, Lot -> Property_id, Area, Price, Tax_rate\nCounty_name -> Tax_rate\nArea -> Price";
        assertThat(keys(relation(lots))).containsExactly("Property_id", "County_name, Lot");
        assertThat(faults(relation(lots))).containsExactly("2NF partial: County_name -> Tax_rate",
                "3NF transitive: Area -> Price");
        Relation lots1a = relation(
                "LOTS1A(Property_id, County_name, Lot, Area)\nProperty_id -> County_name, Lot, Area\nCounty_name, Lot "
                        + "-> Property_id, Area\nArea -> County_name");
        assertThat(Verdict.of(lots1a).form()).isEqualTo(NormalForm.THIRD);
        assertThat(faults(lots1a)).containsExactly("BCNF part-of-key: Area -> County_name");
        assertThat(keys(lots1a)).containsExactly("Property_id", "County_name, Lot", "Lot, Area");
        assertThat(sets(BoyceCoddDecomposition.of(lots1a))).containsExactly("County_name, Area",
                "Property_id, Lot, Area");
    }

    /** Elmasri and Navathe: TEACH is in 3NF and not in BCNF; its decomposition loses the dependency on the teacher. */
    @Test
    void elmasriNavatheTeach() {
        Relation teach =
                relation("TEACH(Student, Course, Instructor)\nStudent, Course -> Instructor\nInstructor -> Course");
        assertThat(keys(teach)).containsExactly("Student, Course", "Student, Instructor");
        assertThat(Verdict.of(teach).form()).isEqualTo(NormalForm.THIRD);
        Decomposition parts = BoyceCoddDecomposition.of(teach);
        assertThat(sets(parts)).containsExactly("Course, Instructor", "Student, Instructor");
        assertThat(parts.lossless()).isTrue();
        assertThat(texts(teach, parts.lost())).containsExactly("Student, Course -> Instructor");
        assertThat(Chase.of(teach, List.of(AttributeSet.of(0, 2), AttributeSet.of(0, 1))).lossless()).isFalse();
    }

    /** Elmasri and Navathe, algorithm for a minimal cover: {B → A, D → A, AB → D} becomes {B → D, D → A}. */
    @Test
    void elmasriNavatheCover() {
        Relation relation = relation("R(A, B, D)\nB -> A\nD -> A\nA, B -> D");
        assertThat(texts(relation, MinimalCover.of(3, relation.functional()))).containsExactlyInAnyOrder("B -> D",
                "D -> A");
    }

    /**
     * A. Silberschatz, H. Korth, S. Sudarshan, Database System Concepts: the canonical cover of {A → BC, B → C, A → B,
     * AB → C}.
     */
    @Test
    void silberschatzCover() {
        Relation relation = relation("R(A, B, C)\nA -> B, C\nB -> C\nA -> B\nA, B -> C");
        assertThat(texts(relation, MinimalCover.of(3, relation.functional()))).containsExactlyInAnyOrder("A -> B",
                "B -> C");
    }

    /** Silberschatz, Korth, Sudarshan: AG is a key of R(A, B, C, G, H, I). */
    @Test
    void silberschatzKey() {
        Relation relation = relation("R(A, B, C, G, H, I)\nA -> B\nA -> C\nC, G -> H\nC, G -> I\nB -> H");
        assertThat(keys(relation)).containsExactly("A, G");
        assertThat(new Closure(6, relation.functional())
                .implies(new Functional(AttributeSet.of(0, 3), AttributeSet.of(5)))).isTrue();
    }

    /** Silberschatz, Korth, Sudarshan: the class relation falls into course, classroom and section. */
    @Test
    void silberschatzClasses() {
        Relation relation = relation("""
                class(course_id, title, dept_name, credits, sec_id, semester, year, building, room_number, capacity, \
                time_slot_id)
                course_id -> title, dept_name, credits
                building, room_number -> capacity
                course_id, sec_id, semester, year -> building, room_number, time_slot_id
                """);
        Decomposition parts = BoyceCoddDecomposition.of(relation);
        assertThat(sets(parts)).containsExactly("building, room_number, capacity",
                "course_id, sec_id, semester, year, building, room_number, time_slot_id",
                "course_id, title, dept_name, credits");
        assertThat(parts.lost()).isEmpty();
    }

    /**
     * C. J. Date, An Introduction to Database Systems: FIRST(S#, STATUS, CITY, P#, QTY) is in 1NF, SECOND(S#, STATUS,
     * CITY) in 2NF.
     */
    @Test
    void dateSuppliers() {
        Relation first = relation("FIRST(S, STATUS, CITY, P, QTY)\nS -> CITY, STATUS\nCITY -> STATUS\nS, P -> QTY");
        assertThat(Verdict.of(first).form()).isEqualTo(NormalForm.FIRST);
        assertThat(sets(Synthesis.of(first))).containsExactly("S, CITY", "S, P, QTY", "STATUS, CITY");
        assertThat(Verdict.of(relation("SECOND(S, STATUS, CITY)\nS -> CITY, STATUS\nCITY -> STATUS")).form())
                .isEqualTo(NormalForm.SECOND);
    }

    /** Date: course, teacher, text are all key; teachers and texts are independent, so it is in BCNF and not in 4NF. */
    @Test
    void dateCoursesTeachersTexts() {
        Relation relation = relation("CTX(course, teacher, text)\ncourse ->> teacher\ncourse ->> text");
        assertThat(keys(relation)).containsExactly("course, teacher, text");
        assertThat(Verdict.of(relation).form()).isEqualTo(NormalForm.BOYCE_CODD);
        assertThat(sets(FourthFormDecomposition.of(relation))).containsExactly("course, teacher", "course, text");
        assertThat(Verdict.of(relation("CT(course, teacher)\ncourse ->> teacher")).form()).isEqualTo(NormalForm.FOURTH);
    }

    /** R. Fagin, TODS 2(3), 1977: an employee's children are independent of the salary in each year. */
    @Test
    void faginChildrenAndSalaries() {
        Relation relation = relation("T(employee, child, salary, year)\nemployee ->> child\nemployee, year -> salary");
        assertThat(sets(FourthFormDecomposition.of(relation))).containsExactly("employee, child",
                "employee, salary, year");
        assertThat(new DependencyBasis(relation).of(AttributeSet.of(0))).containsExactly(AttributeSet.of(1),
                AttributeSet.of(2, 3));
    }

    /**
     * W. Kent, CACM 26(2), 1983, 3.1 and 3.2: the warehouse address depends on a part of the key; the location on the
     * department.
     */
    @Test
    void kentWarehouses() {
        Relation second = relation(
                "Stock(PART, WAREHOUSE, QUANTITY, WAREHOUSE_ADDRESS)\nPART, WAREHOUSE -> QUANTITY\nWAREHOUSE -> "
                        + "WAREHOUSE_ADDRESS");
        assertThat(faults(second)).containsExactly("2NF partial: WAREHOUSE -> WAREHOUSE_ADDRESS");
        Relation third =
                relation("Staff(EMPLOYEE, DEPARTMENT, LOCATION)\nEMPLOYEE -> DEPARTMENT\nDEPARTMENT -> LOCATION");
        assertThat(faults(third)).containsExactly("3NF transitive: DEPARTMENT -> LOCATION");
    }

    /**
     * P. Bernstein, TODS 1(4), 1976: X1 X2 → A, D; C D → X1 X2; A X1 → B; B X2 → C; C → A gives no superfluous
     * attribute A beside X1 X2.
     */
    @Test
    void bernsteinSynthesis() {
        Relation relation =
                relation("R(X1, X2, A, B, C, D)\nX1, X2 -> A, D\nC, D -> X1, X2\nA, X1 -> B\nB, X2 -> C\nC -> A");
        Decomposition synthesis = Synthesis.of(relation);
        assertThat(synthesis.sets()).contains(AttributeSet.of(0, 1, 4, 5))
                .doesNotContain(AttributeSet.of(0, 1, 2, 4, 5));
        assertThat(synthesis.lost()).isEmpty();
    }

    /** C. Lucchesi and S. Osborn, 1978, and J. Demetrovics, 1978: families with 2^n and with n over n/2 keys. */
    @Test
    void familiesWithManyKeys() {
        List<Functional> pairs = new ArrayList<>();
        for (int i = 0; i < 16; i += 2) {
            pairs.add(new Functional(AttributeSet.of(i), AttributeSet.of(i + 1)));
            pairs.add(new Functional(AttributeSet.of(i + 1), AttributeSet.of(i)));
        }
        assertThat(CandidateKeys.of(16, pairs, 1000).keys()).hasSize(256);
        List<Functional> halves = Brute.subsets(AttributeSet.first(8)).stream().filter(set -> set.size() == 4)
                .map(set -> new Functional(set, AttributeSet.first(8)))
                .sorted(Comparator.comparing(Functional::determinant)).toList();
        assertThat(CandidateKeys.of(8, halves, 1000).keys()).hasSize(70);
        assertThat(CandidateKeys.of(8, halves, 50).more()).isTrue();
    }

    /** Ullman: {AB, AC} of R(A, B, C) with A → B is lossless; {AB, BC} is not. */
    @Test
    void ullmanLossless() {
        Relation relation = relation("R(A, B, C)\nA -> B");
        Chase chase = Chase.of(relation, List.of(AttributeSet.of(0, 1), AttributeSet.of(0, 2)));
        assertThat(chase.lossless()).isTrue();
        assertThat(chase.steps())
                .containsExactly(new Chase.Step.Equated(relation.functional().getFirst(), 0, 1, 1, 2, 0));
        assertThat(Chase.of(relation, List.of(AttributeSet.of(0, 1), AttributeSet.of(1, 2))).lossless()).isFalse();
    }
}
