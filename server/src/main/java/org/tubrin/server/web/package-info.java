/** Doors and refusals: problems as JSON, who may call, how much may be sent, the built page. */
@org.jspecify.annotations.NullMarked
package org.tubrin.server.web;
