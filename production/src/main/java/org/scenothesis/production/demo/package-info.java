/// The demo production, Lantern Works: its document, and the filming of its footage by the rehearsal renderer.
@NullMarked
package org.scenothesis.production.demo;

import org.jspecify.annotations.NullMarked;
