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

  // What is put where the board is pressed next; the choice holds until another is made or it is pressed off.
  let putting = null;
  document.addEventListener("click", (event) => {
    const choice = event.target.closest("[data-put]");
    if (choice) {
      const same = putting?.word === choice.dataset.put && putting?.board === choice.dataset.putBoard;
      putting = same ? null : { word: choice.dataset.put, board: choice.dataset.putBoard };
      document
        .querySelectorAll("[data-put]")
        .forEach((b) => b.setAttribute("aria-pressed", String(!same && b === choice)));
      return;
    }
    const board = event.target.closest("svg[data-board]");
    if (!board) return;
    if (putting && board.dataset.board === putting.board) {
      const box = board.getBoundingClientRect(),
        wide = board.viewBox.baseVal.width,
        margin = Number(board.dataset.margin),
        scale = Number(board.dataset.scale),
        mm = (at) => Math.max(0, Math.round(((at * wide) / box.width - margin) / scale)),
        press = document.createElement("button");
      press.name = "op";
      press.value = `put ${putting.word} ${putting.board} ${mm(event.clientX - box.left)} ${mm(event.clientY - box.top)}`;
      press.hidden = true;
      document.getElementById("fields").append(press);
      press.click();
      press.remove();
      putting = null;
      return;
    }
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

// The upper edge of a place on the map is dragged: its size grows and shrinks by eighths of the power of two below it.
(() => {
  let held = null;
  const bytes = (text) => {
    const found = /^\s*(0x[0-9a-f]+|[0-9]+)\s*([KMG]?)/i.exec(text);
    return found ? Number(found[1]) * { "": 1, K: 1024, M: 1048576, G: 1073741824 }[found[2].toUpperCase()] : 0;
  };
  const written = (size) =>
    size % 1048576 === 0 ? `${size / 1048576}M` : size % 1024 === 0 ? `${size / 1024}K` : String(size);

  document.addEventListener("pointerdown", (event) => {
    const edge = event.target.closest("[data-edge]");
    if (!edge) return;
    const field = document.querySelector(`input[name="${CSS.escape(`f:${edge.dataset.edge}.size`)}"]`),
      size = field ? bytes(field.value) : 0;
    if (size < 1) return;
    event.preventDefault();
    held = { edge, field, size, from: event.clientY, high: edge.parentElement.offsetHeight, was: field.value };
    edge.classList.add("held");
    edge.setPointerCapture(event.pointerId);
  });
  document.addEventListener("pointermove", (event) => {
    if (!held) return;
    const step = Math.max(1, 2 ** Math.floor(Math.log2(held.size)) / 8),
      wanted = held.size * (1 + (held.from - event.clientY) / held.high);
    held.field.value = written(Math.max(step, Math.round(wanted / step) * step));
  });
  const let_go = (event) => {
    if (!held) return;
    const { edge, field, was } = held;
    held = null;
    edge.classList.remove("held");
    if (event.type === "pointercancel") field.value = was;
    if (field.value === was) return;
    field.dispatchEvent(new Event("input", { bubbles: true }));
    field.dispatchEvent(new Event("change", { bubbles: true }));
  };
  document.addEventListener("pointerup", let_go);
  document.addEventListener("pointercancel", let_go);
})();
