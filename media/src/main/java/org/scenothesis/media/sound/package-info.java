/// What is heard: sound tracks read as samples, from a moment on, louder or softer.
@NullMarked
package org.scenothesis.media.sound;

import org.jspecify.annotations.NullMarked;
