/// Kills, full disks, hostile folders and foreign clips: in small with every test run, at length by `./soak`.
@NullMarked
package org.scenothesis.production.hardening;

import org.jspecify.annotations.NullMarked;
