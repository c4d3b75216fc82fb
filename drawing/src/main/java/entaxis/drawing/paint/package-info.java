/** What is drawn, said once: painters draw scenes and diagrams on a surface, and each kind of file is a surface. */
package entaxis.drawing.paint;
