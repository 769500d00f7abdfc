#!/usr/bin/env bash
# Install the Debian packages that are missing: pango for PDF, Chromium and a font for the browser tests.
set -euo pipefail

packages=(libpango-1.0-0 libpangoft2-1.0-0 libharfbuzz-subset0)
[ "${1:-serve}" = test ] && packages+=(chromium fonts-dejavu-core)

missing=()
for package in "${packages[@]}"; do
  dpkg-query -W -f='${Status}' "$package" 2>/dev/null | grep -q 'install ok installed' || missing+=("$package")
done
[ ${#missing[@]} -eq 0 ] && exit 0

sudo=""
[ "$(id -u)" -eq 0 ] || sudo=sudo
echo "Installing ${missing[*]}"
$sudo apt-get update -qq
DEBIAN_FRONTEND=noninteractive $sudo apt-get install -y -qq --no-install-recommends "${missing[@]}" >/dev/null
