package entaxis.core.review;

import static org.assertj.core.api.Assertions.assertThat;

import entaxis.core.change.Change;
import entaxis.core.derive.Derivation;
import entaxis.core.design.Cardinality;
import entaxis.core.design.ColumnPath;
import entaxis.core.design.StatedDependencies.Stated;
import entaxis.core.design.StatedDependencies;
import entaxis.core.small.Small;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import org.junit.jupiter.api.Test;

/** Designs of the textbooks, from memory, give the findings that their authors name. */
class TextbookFindingsTest {
    private static List<Finding> findings(Small small) {
        return Review.of(Reviewed.of(small.design(), Derivation.of(small.design())), Policy.DEFAULT).findings();
    }

    /** States dependencies such as {@code "city -> status"}. */
    private static Small stating(Small small, String entity, String... lines) {
        List<Stated> stated = new ArrayList<>();
        for (String line : lines) {
            String[] sides = line.split(" -> ");
            stated.add(new Stated(false, paths(small, entity, sides[0]), paths(small, entity, sides[1])));
        }
        return small.done(
                new Change.StateDependencies(new StatedDependencies(small.id(entity), stated, List.of(), List.of())));
    }

    private static List<ColumnPath> paths(Small small, String entity, String names) {
        return Arrays.stream(names.split(", ")).map(name -> ColumnPath.own(small.attribute(entity, name))).toList();
    }

    /**
     * C. J. Date, An Introduction to Database Systems, on further normalization: FIRST of suppliers and parts is not in
     * second normal form.
     */
    @Test
    void suppliersAndParts() {
        Small first = new Small().entity("First", "s_no char(5) primary key", "p_no char(6) primary key",
                "status integer", "city varchar(15)", "qty integer");
        stating(first, "First", "s_no -> city, status", "city -> status", "s_no, p_no -> qty");
        assertThat(findings(first)).filteredOn(finding -> finding.rule().equals("below-third")).isNotEmpty()
                .extracting(Finding::sentence).anyMatch(sentence -> sentence.contains("not in second normal form"));

        Small apart = new Small().entity("Supplier", "s_no char(5) primary key", "city varchar(15)");
        stating(apart, "Supplier", "s_no -> city");
        assertThat(findings(apart)).extracting(Finding::rule).doesNotContain("below-third");
    }

    /**
     * W. Kent, A Simple Guide to Five Normal Forms in Relational Database Theory, CACM 26(2), 1983, 3.2: the location
     * depends on the department.
     */
    @Test
    void employeesAndDepartments() {
        Small employee = new Small().entity("Employee", "employee_no integer primary key", "department varchar(20)",
                "location varchar(20)");
        stating(employee, "Employee", "department -> location");
        assertThat(findings(employee)).filteredOn(finding -> finding.rule().equals("below-third"))
                .extracting(Finding::sentence)
                .anyMatch(sentence -> sentence.contains("not in third normal form"));
    }

    /**
     * The company of R. Elmasri and S. Navathe: each employee works for a department, each department is managed by an
     * employee.
     */
    @Test
    void theCompanyCannotGetItsFirstRow() {
        Small company = new Small().entity("Employee", "ssn char(9) primary key")
                .entity("Department", "dnumber integer primary key")
                .relate("Department", "employs", Cardinality.EXACTLY_ONE, "Employee", "works for",
                        Cardinality.ONE_OR_MORE, false)
                .relate("Employee", "manages", Cardinality.EXACTLY_ONE, "Department", "is managed by",
                        Cardinality.ZERO_OR_MORE, false)
                .relate("Employee", "supervises", Cardinality.EXACTLY_ONE, "Employee", "is supervised by",
                        Cardinality.ZERO_OR_MORE, false);
        assertThat(findings(company)).extracting(Finding::rule).contains("mandatory-cycle", "mandatory-recursion",
                "minimum-not-held");
    }

    /**
     * Orders as they are found in every course: repeated products, the customer's data in the order (E. F. Codd, 1971,
     * on repeating groups and transitive dependencies).
     */
    @Test
    void ordersAndProducts() {
        Small orders = new Small()
                .entity("Customer", "customer_no integer primary key", "name varchar(80) not null",
                        "home_town varchar(40)")
                .entity("Purchase", "purchase_no integer primary key", "customer_town varchar(40)",
                        "product_1 varchar(20)", "product_2 varchar(20)", "product_3 varchar(20)")
                .relate("Customer", "places", Cardinality.EXACTLY_ONE, "Purchase", "is placed by",
                        Cardinality.ZERO_OR_MORE, false);
        assertThat(findings(orders)).extracting(Finding::rule).contains("not-first-form", "fact-twice");
        assertThat(findings(orders)).filteredOn(finding -> finding.rule().equals("fact-twice"))
                .extracting(Finding::sentence)
                .anyMatch(sentence -> sentence.contains("customer_town seems to describe the customer"));
    }
}
