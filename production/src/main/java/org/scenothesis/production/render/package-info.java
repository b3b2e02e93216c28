/// Renders a shot from its layers and footage, to stills or video, with progress, cancel and resume.
@NullMarked
package org.scenothesis.production.render;

import org.jspecify.annotations.NullMarked;
