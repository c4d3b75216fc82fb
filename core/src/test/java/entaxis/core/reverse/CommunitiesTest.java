package entaxis.core.reverse;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Arrays;
import java.util.List;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;

/**
 * The groups of a graph. W. W. Zachary, “An Information Flow Model for Conflict and Fission in Small Groups”, Journal
 * of Anthropological Research 33, 1977: the club of 34 members and 78 ties (ties from memory). Blondel et al. 2008,
 * table 1, give 0.42 as the modularity that the method finds in it.
 */
class CommunitiesTest {
    private static final int[][] CLUB = {{2, 1}, {3, 1, 2}, {4, 1, 2, 3}, {5, 1}, {6, 1}, {7, 1, 5, 6}, {8, 1, 2, 3, 4},
            {9, 1, 3}, {10, 3}, {11, 1, 5, 6}, {12, 1}, {13, 1, 4}, {14, 1, 2, 3, 4}, {17, 6, 7},
            {18, 1, 2}, {20, 1, 2}, {22, 1, 2}, {26, 24, 25}, {28, 3, 24, 25}, {29, 3}, {30, 24, 27}, {31, 2, 9},
            {32, 1, 25, 26, 29}, {33, 3, 9, 15, 16, 19, 21, 23, 24, 30, 31, 32},
            {34, 9, 10, 14, 15, 16, 19, 20, 21, 23, 24, 27, 28, 29, 30, 31, 32, 33}};

    private static Communities club() {
        Communities graph = new Communities(34);
        for (int[] ties : CLUB) {
            Arrays.stream(ties, 1, ties.length).forEach(other -> graph.link(ties[0] - 1, other - 1, 1));
        }
        return graph;
    }

    /** Newman and Girvan, “Finding and evaluating community structure in networks”, 2004. */
    private static double modularity(Communities graph, int[] groups) {
        int nodes = groups.length;
        double all = IntStream.range(0, nodes).mapToDouble(graph::weight).sum();
        double sum = 0;
        for (int i = 0; i < nodes; i++) {
            for (int j = 0; j < nodes; j++) {
                sum += groups[i] == groups[j] ? graph.weight(i, j) - graph.weight(i) * graph.weight(j) / all : 0;
            }
        }
        return sum / all;
    }

    @Test
    void theClubFallsApartAsPublished() {
        Communities club = club();
        assertThat(IntStream.range(0, 34).mapToDouble(club::weight).sum() / 2).as("ties").isEqualTo(78);
        int[] groups = club.groups();
        assertThat(modularity(club, groups)).isBetween(0.415, 0.42);
        assertThat(groups[0]).as("the instructor and the president lead different groups").isNotEqualTo(groups[33]);
        assertThat(groups).isEqualTo(club.groups());
    }

    @Test
    void twoRingsWithOneTieAreTwoGroups() {
        Communities graph = new Communities(12);
        for (int i = 0; i < 6; i++) {
            for (int j = 0; j < i; j++) {
                graph.link(i, j, 1);
                graph.link(6 + i, 6 + j, 1);
            }
        }
        graph.link(0, 6, 1);
        assertThat(graph.groups()).containsExactly(0, 0, 0, 0, 0, 0, 1, 1, 1, 1, 1, 1);
        assertThat(graph.among(List.of(1, 2, 7, 8)).groups()).containsExactly(0, 0, 1, 1);
    }

    @Test
    void withoutTiesEachIsAloneAndHeavyTiesBindMore() {
        assertThat(new Communities(3).groups()).containsExactly(0, 1, 2);
        Communities chain = new Communities(4);
        chain.link(0, 1, 1);
        chain.link(1, 2, 5);
        chain.link(2, 3, 1);
        assertThat(chain.groups()[1]).isEqualTo(chain.groups()[2]);
    }
}
