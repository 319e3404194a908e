// The sampling bench: the phase is turned, the simulated converter captures, both pictures are drawn.
(() => {
  let frame = 0,
    asked = 0,
    timer = 0;
  const by = (id) => document.getElementById(id);

  const draw = (canvas, capture, values) => {
    const pen = canvas.getContext("2d"),
      cell = canvas.width / capture.width;
    values.forEach((value, i) => {
      const level = Math.round(24 + value * 207);
      pen.fillStyle = `rgb(${level}, ${level}, ${level})`;
      pen.fillRect((i % capture.width) * cell, Math.floor(i / capture.width) * cell, cell + 0.5, cell + 0.5);
    });
  };

  const look = async () => {
    const bench = by("bench");
    if (!bench) return;
    const mine = ++asked,
      phase = by("phase").value,
      moving = by("moving").checked;
    by("phase-now").value = phase;
    by("save-phase").elements.phase.value = phase;
    const answer = await fetch(`${location.pathname}?handler=Capture&phase=${phase}&frame=${frame++}&moving=${moving}`);
    if (mine !== asked || !answer.ok) return;
    const capture = await answer.json();
    draw(by("sharp"), capture, capture.lit);
    draw(by("sampled"), capture, capture.seen);
    by("wrong").textContent = capture.wrong;
  };

  const begin = () => {
    clearInterval(timer);
    if (!by("bench")) return;
    look();
    // What shimmers is seen shimmering, but not by a person who asked for stillness.
    if (!matchMedia("(prefers-reduced-motion: reduce)").matches) timer = setInterval(look, 900);
  };

  document.addEventListener("input", (event) => {
    if (event.target.id === "phase" || event.target.id === "moving") look();
  });
  document.addEventListener("click", async (event) => {
    if (event.target.id !== "find") return;
    const answer = await (await fetch(`${location.pathname}?handler=Find&moving=${by("moving").checked}`)).json();
    by("bench-says").hidden = answer.phase !== null;
    by("bench-says").textContent = answer.why;
    if (answer.phase !== null) {
      by("phase").value = answer.phase;
      look();
    }
  });
  document.addEventListener("DOMContentLoaded", begin);
  document.addEventListener("cabin:shown", begin);
  if (document.readyState !== "loading") begin();
})();
