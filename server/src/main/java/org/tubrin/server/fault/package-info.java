/** Cases of something that is wrong, from a symptom to its cause. */
@org.jspecify.annotations.NullMarked
package org.tubrin.server.fault;
