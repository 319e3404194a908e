#!/usr/bin/env bash
# Copies the pinned front-end files of package.json into wwwroot/lib. The result is committed:
# neither the build nor the running application needs npm or a network.
set -euo pipefail
cd "$(dirname "$0")"
npm ci --no-audit --no-fund --ignore-scripts
lib=../../src/RustCabin.Web/wwwroot/lib
axe=../../tests/RustCabin.Browser.Tests/lib
rm -rf "$lib" "$axe"; mkdir -p "$lib/fonts" "$axe"
npx sass --style=compressed --no-source-map --quiet --load-path=node_modules bootstrap-subset.scss "$lib/bootstrap.css"
cp node_modules/@alpinejs/csp/dist/cdn.min.js "$lib/alpine.js"
cp node_modules/@alpinejs/morph/dist/cdn.min.js "$lib/alpine-morph.js"
for face in rokkitt-latin-600 overpass-latin-400 overpass-latin-600 overpass-mono-latin-400 overpass-mono-latin-600; do
  family=${face%%-latin*}
  cp "node_modules/@fontsource/$family/files/$face-normal.woff2" "$lib/fonts/$face.woff2"
done
# The licence of each, beside what it covers; the packages of Alpine ship none.
mkdir -p "$lib/licences"
cp alpine-licence.txt "$lib/licences/alpine.txt"
cp node_modules/bootstrap/LICENSE "$lib/licences/bootstrap.txt"
for family in rokkitt overpass overpass-mono; do
  cp "node_modules/@fontsource/$family/LICENSE" "$lib/licences/$family.txt"
done
cp node_modules/axe-core/axe.min.js "$axe/axe.min.js"
{ echo "Vendored by tools/vendor/vendor.sh; versions are pinned in tools/vendor/package.json."
  for p in @alpinejs/csp @alpinejs/morph bootstrap @fontsource/rokkitt @fontsource/overpass @fontsource/overpass-mono; do
    node -p "const q=require('./node_modules/$p/package.json'); q.name+' '+q.version+' ('+q.license+')'"
  done; } > "$lib/VERSIONS.txt"
