/**
 * Statements of users, run by the built-in engine in a process of its own: a small heap, no rights beyond its own
 * tables, no environment, and killed when it takes
 * more time or memory than it may. {@link entaxis.engines.sandbox.Sandbox} is the server's end, {@link
 * entaxis.engines.sandbox.SandboxProcess} the other one.
 */
package entaxis.engines.sandbox;
