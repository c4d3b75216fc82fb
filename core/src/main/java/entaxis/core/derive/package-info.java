/** From design to schema: key migration, bridge tables, names (FIPS PUB 184, 1993). */
package entaxis.core.derive;

