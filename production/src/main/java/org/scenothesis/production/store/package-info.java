/// The production folder: `production.json`, its atomic saving, history, one writer at a time, and paths confined to it.
@NullMarked
package org.scenothesis.production.store;

import org.jspecify.annotations.NullMarked;
