// Places are pressed on the board: they go into the field that was looked at last, or into the first that is empty.
(() => {
  let last = null;
  document.addEventListener("focusin", (event) => {
    if (event.target.matches("input.place, input[name$='.at.xMm'], input[name$='.at.yMm']")) last = event.target;
  });

  const put = (field, value) => {
    field.value = value;
    field.dispatchEvent(new Event("input", { bubbles: true }));
  };
  const told = (field) => field.dispatchEvent(new Event("change", { bubbles: true }));

  document.addEventListener("click", (event) => {
    const board = event.target.closest("svg[data-board]");
    if (!board) return;
    const field = last?.isConnected ? last : null;
    if (field && /\.at\.[xy]Mm$/.test(field.name)) {
      // Where on the board, in whole millimetres, as it is seen from above.
      const box = board.getBoundingClientRect(),
        wide = board.viewBox.baseVal.width,
        x = ((event.clientX - box.left) * wide) / box.width,
        y = ((event.clientY - box.top) * wide) / box.width,
        margin = Number(board.dataset.margin),
        scale = Number(board.dataset.scale),
        stem = field.name.slice(0, -3),
        of = (name) => document.querySelector(`input[name="${CSS.escape(stem + name)}"]`);
      if (of("xMm")) put(of("xMm"), Math.max(0, Math.round((x - margin) / scale)));
      if (of("yMm")) put(of("yMm"), Math.max(0, Math.round((y - margin) / scale)));
      told(field);
      return;
    }
    const place = event.target.closest("[data-place]");
    if (!place) return;
    const into = field || [...document.querySelectorAll("input.place")].find((f) => f.value === "");
    if (!into) return;
    put(into, place.dataset.place);
    told(into);
  });
})();
