/** What the Reconcile desk shows and keeps. */
package entaxis.web.reconcile;
