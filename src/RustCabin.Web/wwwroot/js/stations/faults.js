// Rehearsal: finished rounds are remembered in this browser, by kind of fault.
(() => {
  "use strict";
  const rounds = () => JSON.parse(localStorage.getItem("rehearsal") || "[]");
  const over = document.querySelector(".debrief");
  if (over) {
    const { code, kind, hit, minutes } = over.dataset;
    const others = rounds().filter((r) => r.code !== code);
    const all = [...others, { code, kind, hit: hit === "true", minutes: +minutes }];
    localStorage.setItem("rehearsal", JSON.stringify(all.slice(-500)));
  }
  const told = document.getElementById("progress");
  if (told && rounds().length) {
    const kinds = {};
    for (const r of rounds()) {
      const k = (kinds[r.kind] ||= { of: 0, hit: 0, minutes: 0 });
      k.of++;
      k.hit += r.hit ? 1 : 0;
      k.minutes += r.minutes;
    }
    told.textContent = Object.entries(kinds)
      .map(([kind, k]) => `${kind}: ${k.hit} of ${k.of} found, ${(k.minutes / k.of).toFixed(0)} min each`)
      .join("; ");
  }
  for (const mark of document.querySelectorAll("[data-played]")) {
    const played = rounds().find((r) => r.code === mark.dataset.played);
    if (played) mark.textContent = played.hit ? `found, ${played.minutes} min` : "not found";
  }
})();

// Trials are filled in by keys: arrows go from factor to factor and change them, w and f note the try.
document.addEventListener("keydown", (event) => {
  const row = event.target.closest?.(".try-row");
  if (!row || event.ctrlKey || event.metaKey || event.altKey || event.target.matches("input")) return;
  const press = row.querySelector(`[data-key-press="${event.key}"]`);
  const step = { ArrowLeft: -1, ArrowRight: 1 }[event.key];
  if (!press && !step) return;
  event.preventDefault();
  event.stopPropagation();
  if (press) {
    sessionStorage.setItem("trying", "yes");
    return press.click();
  }
  const all = [...row.querySelectorAll("select, input, button")].filter((one) => one.type !== "hidden");
  all[(all.indexOf(event.target) + step + all.length) % all.length]?.focus();
});
// After a try the first factor is at hand again.
new MutationObserver(() => {
  const first = document.querySelector(".try-row select");
  if (!first || sessionStorage.getItem("trying") !== "yes" || document.activeElement === first) return;
  sessionStorage.removeItem("trying");
  first.focus();
}).observe(document.documentElement, { childList: true, subtree: true });
