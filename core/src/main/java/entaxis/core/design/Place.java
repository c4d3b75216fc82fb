package entaxis.core.design;

/** Where the upper left corner of a card lies on a sheet, in sheet units: one unit is one pixel at 100 %. */
public record Place(int x, int y) { }
