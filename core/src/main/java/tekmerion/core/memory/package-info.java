/** Memory: who the modules are, how they are tested, and what that says. */
package tekmerion.core.memory;
