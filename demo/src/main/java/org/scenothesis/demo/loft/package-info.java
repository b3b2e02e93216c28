/// The demo scenario built in metres: the lantern works' loft, its maker, paper lanterns and the screen cloth.
///
/// - World as in `optics`; the camera of shot 12 stands at z = −3.3 and looks along +Z.
/// - Everything here is data for the renderer; nothing measures anything.
@NullMarked
package org.scenothesis.demo.loft;

import org.jspecify.annotations.NullMarked;
