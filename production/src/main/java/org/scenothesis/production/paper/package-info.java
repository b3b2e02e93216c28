/// What leaves a plan on paper or as a file: breakdown book, tables, calendar, JSON; and shot lists that come in.
@NullMarked
package org.scenothesis.production.paper;

import org.jspecify.annotations.NullMarked;
