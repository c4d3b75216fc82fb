package entaxis.drawing.quality;

import entaxis.drawing.geometry.Box;
import entaxis.drawing.geometry.Point;
import java.util.ArrayList;
import java.util.Collection;
import java.util.List;
import java.util.Map;

/**
 * What readers of diagrams suffer from, counted (crossings, bends and length, in this order of harm: Purchase, “Which
 * aesthetic has the greatest effect on human understanding?”, Graph Drawing 1997; from memory).
 *
 * @param crossings how often lines cross
 * @param bends     corners of all lines
 * @param length    of all lines, in sheet units
 * @param area      of the smallest box around all cards, in sheet units squared
 * @param through   stretches that run through a card
 * @param shared    pairs of stretches of different lines that lie on each other
 */
public record Quality(int crossings, int bends, double length, double area, int through, int shared) {
    private static final double TOUCH = 0.5;

    private record Stretch(String line, Point from, Point to) {
        boolean upright() {
            return from.x() == to.x();
        }

        double low() {
            return upright() ? Math.min(from.y(), to.y()) : Math.min(from.x(), to.x());
        }

        double high() {
            return upright() ? Math.max(from.y(), to.y()) : Math.max(from.x(), to.x());
        }

        double at() {
            return upright() ? from.x() : from.y();
        }
    }

    /** The quality of orthogonal ways among cards. Quadratic in the stretches. */
    public static Quality of(Collection<Box> cards, Map<String, List<Point>> ways) {
        List<Stretch> stretches = new ArrayList<>();
        int bends = 0;
        double length = 0;
        for (Map.Entry<String, List<Point>> way : ways.entrySet()) {
            List<Point> points = way.getValue();
            bends += Math.max(0, points.size() - 2);
            for (int i = 0; i + 1 < points.size(); i++) {
                Stretch stretch = new Stretch(way.getKey(), points.get(i), points.get(i + 1));
                stretches.add(stretch);
                length += stretch.high() - stretch.low();
            }
        }
        int crossings = 0;
        int shared = 0;
        int through = 0;
        for (int i = 0; i < stretches.size(); i++) {
            Stretch one = stretches.get(i);
            through += (int) cards.stream().filter(card -> runsThrough(card, one)).count();
            for (int j = i + 1; j < stretches.size(); j++) {
                Stretch other = stretches.get(j);
                if (!one.line().equals(other.line())) {
                    crossings += crosses(one, other) ? 1 : 0;
                    shared += lieOnEachOther(one, other) ? 1 : 0;
                }
            }
        }
        double area = cards.stream().reduce(Box::union).map(box -> box.width() * box.height()).orElse(0.0);
        return new Quality(crossings, bends, length, area, through, shared);
    }

    private static boolean crosses(Stretch one, Stretch other) {
        return one.upright() != other.upright() && one.at() > other.low() + TOUCH && one.at() < other.high() - TOUCH
                && other.at() > one.low() + TOUCH && other.at() < one.high() - TOUCH;
    }

    private static boolean lieOnEachOther(Stretch one, Stretch other) {
        return one.upright() == other.upright() && Math.abs(one.at() - other.at()) < 1
                && Math.min(one.high(), other.high()) - Math.max(one.low(), other.low()) > 2;
    }

    private static boolean runsThrough(Box card, Stretch stretch) {
        double x1 = Math.min(stretch.from().x(), stretch.to().x());
        double x2 = Math.max(stretch.from().x(), stretch.to().x());
        double y1 = Math.min(stretch.from().y(), stretch.to().y());
        double y2 = Math.max(stretch.from().y(), stretch.to().y());
        return x1 < card.right() - TOUCH && x2 > card.x() + TOUCH && y1 < card.bottom() - TOUCH
                && y2 > card.y() + TOUCH;
    }
}
