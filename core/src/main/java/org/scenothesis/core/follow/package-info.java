/// Follows a point, or the four corners of something flat, from frame to frame of a take.
///
/// - Points are pixels from the outer corner of the first pixel, x right, y down. Turn is clockwise on screen; size and turn are against
///   the frame in which the thing was pointed out.
/// - Brightness and contrast drop out; what covers part of the thing is left out by robust weights. What is hidden is said to be lost and
///   looked for where it must have gone; nothing is told of frames in which it was not found.
/// - It does not say what a thing is: two things that look alike and meet may be taken for each other.
@NullMarked
package org.scenothesis.core.follow;

import org.jspecify.annotations.NullMarked;
