// The SQL desk.
import "./copier.js";
import "./sql-text.js";
import "./together.js";
