# Real pages for the checks: Debian's documentation packages, downloaded and unpacked into a folder, never installed. Sourced, not run.

# Old and new, hand-written and generated, in nine languages: what is checked here is what nobody here wrote.
CORPUS_PACKAGES="abs-guide apache2-doc apt-doc aptitude-doc-en aptitude-doc-fr aptitude-doc-ja aptitude-doc-ru asymptote-doc bash-doc bind9-doc
 clisp-doc coq-doc-html dbus-1-doc debian-faq-de debian-faq-ja debian-faq-ko debian-faq-nl debian-policy debian-reference-es debian-reference-it
 debian-reference-zh-cn debmake-doc developers-reference-fr docbook-defguide erlang-doc exim4-doc-html fftw3 fp-docs-3.2.2 freetype2-doc gap-doc
 gnuplot-doc graphicsmagick gsl-ref-html harden-doc hevea-doc hyperspec imagemagick-6-doc installation-guide-amd64 java-package-doc jargon
 libfftw3-doc libpng-doc libtiff-doc libxml2-doc linuxdoc-tools lvm-doc maint-guide-es maint-guide-de make-doc maxima-doc mma-doc netpbm ntpsec-doc
 octave-doc pari-doc perl-doc-html povray-doc python3.11-doc privoxy refcard samba-doc singular-doc sqlite3-doc squid-common tcl8.6-doc tidy-doc
 tuxpaint-docs vera webalizer-doc zsh-doc"

# need_corpus: unpacks the packages that can be had into INKWELL_CORPUS, or into .corpus beside the project's files.
need_corpus() {
  export INKWELL_CORPUS="${INKWELL_CORPUS:-$ROOT/.corpus}"
  [ -f "$INKWELL_CORPUS/.complete" ] && return 0
  command -v apt-get >/dev/null && command -v dpkg-deb >/dev/null || fail "The real pages come from Debian's packages, and this is no Debian machine."
  as_admin apt-get update -qq >/dev/null 2>&1 || say "Debian's package lists could not be renewed; going on with those that are there."
  mkdir -p "$INKWELL_CORPUS"
  local package missing="" scratch; scratch="$(mktemp -d)"
  for package in $CORPUS_PACKAGES; do
    [ -d "$INKWELL_CORPUS/$package" ] && continue
    if (cd "$scratch" && apt-get download -qq "$package") >/dev/null 2>&1 && dpkg-deb -x "$scratch"/"$package"_*.deb "$INKWELL_CORPUS/$package"; then
      say "Unpacked $package"
    else missing="$missing $package"; fi
    rm -f "$scratch"/*.deb
  done
  rmdir "$scratch"
  [ -z "$missing" ] || say "Not to be had here:$missing"
  [ "$(find "$INKWELL_CORPUS" -mindepth 1 -maxdepth 1 -type d | wc -l)" -ge 30 ] || fail "Fewer than 30 packages could be unpacked: is Debian's package server within reach?"
  touch "$INKWELL_CORPUS/.complete"
}
