// The end of a partition is dragged along its card; on release its size in whole MiB goes to the job.
(() => {
  const MIB = 1 << 20;
  let held = null;

  const bytesAt = (strip, clientX) => {
    const box = strip.getBoundingClientRect(),
      scale = strip.viewBox.baseVal.width / box.width,
      share = ((clientX - box.left) * scale - Number(strip.dataset.left)) / Number(strip.dataset.wide),
      at = Math.min(1, Math.max(0, share)),
      usable = Number(strip.dataset.usable);
    return strip.dataset.log ? (2 ** (at * Math.log2(1 + usable / MIB)) - 1) * MIB : at * usable;
  };

  document.addEventListener("pointerdown", (event) => {
    const grip = event.target.closest("[data-grip]");
    if (!grip) return;
    held = { grip, strip: grip.closest("svg"), mib: 0, x: Number(grip.getAttribute("x")) };
    grip.classList.add("held");
    grip.setPointerCapture(event.pointerId);
    event.preventDefault();
  });

  document.addEventListener("pointermove", (event) => {
    if (!held) return;
    const { grip, strip } = held,
      box = strip.getBoundingClientRect(),
      scale = strip.viewBox.baseVal.width / box.width;
    held.mib = Math.max(1, Math.round((bytesAt(strip, event.clientX) - Number(grip.dataset.start)) / MIB));
    grip.setAttribute("x", (event.clientX - box.left) * scale - 7);
    const row = strip.closest(".device").querySelectorAll(".partition-row [name=size]")[Number(grip.dataset.grip)];
    if (row) row.value = `${held.mib}M`;
  });

  const release = (event) => {
    if (!held) return;
    const { grip, strip, mib } = held;
    held = null;
    grip.classList.remove("held");
    if (event.type !== "pointerup" || mib < 1) return;
    const form = strip.closest(".device").querySelector("form.drag");
    form.elements.index.value = grip.dataset.grip;
    form.elements.mib.value = mib;
    form.requestSubmit();
  };
  document.addEventListener("pointerup", release);
  document.addEventListener("pointercancel", release);

  // A listing can be dropped onto its field as a file.
  document.addEventListener("dragover", (event) => {
    if (event.target.matches?.("[data-drop-text]")) event.preventDefault();
  });
  document.addEventListener("drop", async (event) => {
    if (!event.target.matches?.("[data-drop-text]") || !event.dataTransfer.files[0]) return;
    event.preventDefault();
    event.target.value = await event.dataTransfer.files[0].text();
  });
})();
