/** What has changed over the runs. */
@org.jspecify.annotations.NullMarked
package org.tubrin.server.drive;
