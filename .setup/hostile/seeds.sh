#!/usr/bin/env bash
# Makes the small files that HostileFiles damages, with another encoder than ours: needs Debian's ffmpeg. Only for whoever wants other ones; the files are kept in testkit.
set -eu
out=$(cd "$(dirname "$0")/../../testkit/src/main/resources/org/scenothesis/testkit/hostile" && pwd)
cd "$out"
f() { ffmpeg -v error -y "$@" </dev/null 2>&1 | grep -v x265 || true; }
pictures="-f lavfi -i testsrc2=s=64x48:r=25:d=0.24"
sound="-f lavfi -i sine=f=440:d=0.3:r=8000"
bare="-bitexact -map_metadata -1"
f $sound -ac 1 $bare sound.wav
f $sound -b:a 24k $bare sound.m4a
f $sound -b:a 8k $bare sound.mkv
f $sound -b:a 24k $bare sound.ts
f $sound $bare sound.avi
f $sound -c:a libopus -b:a 16k $bare sound.webm
f $sound -b:a 16k $bare sound.mp3
f $pictures -frames:v 1 -s 16x16 $bare still.png
f $sound -i still.png -map 0 -map 1 -b:a 24k -c:v png -disposition:v attached_pic $bare cover.m4a
f $sound -i still.png -map 0 -map 1 -b:a 16k -id3v2_version 3 $bare cover.mp3
printf '1\n00:00:00,000 --> 00:00:01,000\nhello\n' >words.srt
f -i words.srt -c:s mov_text $bare words.mp4
f -i words.srt $bare words.mkv
rm words.srt
f $pictures $sound -c:v libx264 -g 3 -c:a aac -b:a 24k $bare film.mp4
f $pictures $sound -c:v libx264 -g 3 -movflags +faststart -c:a aac -b:a 24k $bare fast.mp4
f $pictures $sound -c:v libvpx-vp9 -b:v 100k -c:a libopus -b:a 16k $bare film.webm
f $pictures -c:v mjpeg -q:v 8 $bare film.avi
f $pictures -c:v libx264 -g 3 $bare film.ts
f $pictures -c:v libx265 $bare film.mov
f $pictures -c:v libaom-av1 -cpu-used 8 -b:v 60k $bare av1.mkv
f $pictures -c:v ffv1 -slices 4 $bare ffv1.mkv
f $pictures -c:v prores_ks -frames:v 2 $bare prores.mov
f $pictures -c:v mpeg2video -frames:v 4 $bare film.mpg
f $pictures -c:v libtheora $bare film.ogv
f $pictures -c:v zmbv -frames:v 3 $bare unknown.avi
f $pictures -frames:v 3 $bare film.gif
f $pictures -frames:v 2 -f apng $bare film.apng
f $pictures -frames:v 2 -s 256x144 -c:v dnxhd -profile:v dnxhr_lb -pix_fmt yuv422p $bare film.mxf
for e in jpg tif exr bmp dpx webp jp2 ppm; do f $pictures -frames:v 1 $bare still.$e; done
ls -l | awk '{s += $5} END {print NR - 1, "files,", s, "bytes"}'
