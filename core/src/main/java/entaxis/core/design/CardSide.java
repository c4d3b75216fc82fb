package entaxis.core.design;

/** A side of a card on a sheet. */
public enum CardSide { LEFT, RIGHT, TOP, BOTTOM }
