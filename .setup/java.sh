# Finds what Scenothesis needs; says in one sentence what is missing and, as root on Debian, installs it.
packages() { [ "$(id -u)" = 0 ] && command -v apt-get >/dev/null 2>&1; }
fetch() {
  echo "installing $*" >&2
  DEBIAN_FRONTEND=noninteractive apt-get install -y -qq "$@" >/dev/null 2>&1 || { apt-get update -qq >/dev/null 2>&1; DEBIAN_FRONTEND=noninteractive apt-get install -y -qq "$@" >/dev/null 2>&1; }
}
# Sets JAVA and JAVA_HOME to a JDK 25 or newer.
need_java() {
  local d v
  for d in "${JAVA_HOME:-/none}" /usr/lib/jvm/* /opt/jdk* /Library/Java/JavaVirtualMachines/*/Contents/Home "$HOME"/.sdkman/candidates/java/*; do
    [ -x "$d/bin/javac" ] || continue
    # Read, not asked for: to start a Java machine only to hear its version takes half a second.
    v=$(sed -n 's/^JAVA_VERSION="\([0-9]*\).*/\1/p' "$d/release" 2>/dev/null)
    [ -n "$v" ] || v=$("$d/bin/javac" -version 2>&1 | sed 's/[^0-9]*\([0-9]*\).*/\1/')
    if [ "${v:-0}" -ge 25 ]; then JAVA_HOME=$d; JAVA=$d/bin/java; export JAVA_HOME; return 0; fi
  done
  if packages && fetch openjdk-25-jdk-headless; then
    for d in /usr/lib/jvm/*25*; do [ -x "$d/bin/javac" ] && JAVA_HOME=$d && JAVA=$d/bin/java && export JAVA_HOME && return 0; done
  fi
  echo "Scenothesis needs a JDK 25 or newer, and none was found under /usr/lib/jvm or in JAVA_HOME: install one and set JAVA_HOME to it." >&2
  return 1
}
need_maven() {
  MAVEN=$(command -v mvn) && return 0
  packages && fetch maven && MAVEN=$(command -v mvn) && return 0
  echo "Scenothesis is built with Apache Maven, and mvn was not found: install Maven 3.8 or newer." >&2
  return 1
}
# The window toolkit's own libraries on Linux, and any font for what Barlow lacks.
need_toolkit() {
  [ "$(uname -s)" = Linux ] || return 0
  local wanted=() there
  there=$(ldconfig -p 2>/dev/null)
  for lib in libgtk-3.so.0:libgtk-3-0 libpangoft2-1.0.so.0:libpangoft2-1.0-0 libfreetype.so.6:libfreetype6 libXtst.so.6:libxtst6 libGL.so.1:libgl1 libasound.so.2:libasound2; do
    case "$there" in *"${lib%%:*}"*) ;; *) wanted+=("${lib##*:}") ;; esac
  done
  { command -v fc-list >/dev/null 2>&1 && [ -n "$(fc-list 2>/dev/null | head -n 1)" ]; } || wanted+=(fontconfig fonts-dejavu-core)
  [ ${#wanted[@]} = 0 ] && return 0
  if packages && fetch "${wanted[@]}"; then return 0; fi
  echo "The window needs these system libraries: ${wanted[*]}; install them with your package manager." >&2
  return 1
}
