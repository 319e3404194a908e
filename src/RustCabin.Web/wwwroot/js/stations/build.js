// The bench view: arrows, a pedal or a wipe turn the step, and a timer counts the minutes of the step that is shown; it rings
// when those that the sheet predicts are over.
(() => {
  "use strict";
  const bench = () => document.querySelector(".bench");
  const key = () => `timer ${bench().dataset.job} ${bench().dataset.step}`;
  const held = () => JSON.parse(localStorage.getItem(key()) || '{"before":0,"since":0}');
  const passed = (t) => t.before + (t.since ? Date.now() - t.since : 0);
  const show = () => {
    if (!bench()) return;
    const t = held(),
      seconds = Math.floor(passed(t) / 1000);
    const face = document.getElementById("timer");
    const clock = `${Math.floor(seconds / 60)}:${String(seconds % 60).padStart(2, "0")}`;
    const says = `${t.since > 0 ? "stop" : "start"} the timer ${clock}`;
    if (face.textContent !== says) face.textContent = says;
    face.classList.toggle("runs", t.since > 0);
    const over = t.since > 0 && seconds >= 60 * Number(bench().dataset.minutes);
    face.classList.toggle("over", over);
    if (over) window.cabinRing(`${key()} ${t.since}`);
    const took = document.querySelector("[data-took]");
    if (took) took.value = seconds >= 6 ? (seconds / 60).toFixed(1) : "";
  };
  document.addEventListener("click", (event) => {
    if (!event.target.closest("#timer")) return;
    const t = held();
    localStorage.setItem(
      key(),
      JSON.stringify(t.since ? { before: passed(t), since: 0 } : { before: t.before, since: Date.now() }),
    );
    show();
  });
  document.addEventListener("submit", (event) => {
    if (bench() && event.target.querySelector("[data-took]")) {
      show();
      localStorage.removeItem(key());
    }
  }, true);
  document.addEventListener("keydown", (event) => {
    if (!bench() || event.ctrlKey || event.metaKey || event.altKey) return;
    if (event.target.closest("input, textarea, select, dialog")) return;
    const by = { ArrowLeft: "-1", ArrowRight: "1", PageUp: "-1", PageDown: "1" }[event.key];
    if (by && turn(by)) event.preventDefault();
  });
  // A pedal sends keys; a finger wipes across. What is wiped up or down scrolls.
  const turn = (by) => {
    const link = document.querySelector(`[data-turn="${by}"]:not([aria-disabled])`);
    if (link) location.href = link.href;
    return link;
  };
  let from = null;
  document.addEventListener("touchstart", (event) => {
    from = event.touches.length === 1 && bench() ? event.touches[0] : null;
  }, { passive: true });
  document.addEventListener("touchend", (event) => {
    if (!from || !bench()) return;
    const across = event.changedTouches[0].clientX - from.clientX,
      down = event.changedTouches[0].clientY - from.clientY;
    from = null;
    if (Math.abs(across) > 80 && Math.abs(across) > 2 * Math.abs(down)) turn(across < 0 ? "1" : "-1");
  }, { passive: true });
  setInterval(show, 500);
  show();
})();
