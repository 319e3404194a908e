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

// A photo lies under the outline of a board: its upper left and its lower right corner are tapped, and it is turned and scaled
// until they lie on those of the outline. It stays in this browser and is kept nowhere.
(() => {
  const photos = new Map(),
    words = ["Tap the board's upper left corner on the photo.", "Tap its lower right corner.", "It lies under the outline."];
  const named = (what, board) => document.querySelector(`${what}="${CSS.escape(board)}"]`);

  const lay = (board, photo) => {
    const svg = named("svg[data-board", board),
      [one, other] = photo.taps;
    svg?.querySelector(".board-photo")?.remove();
    if (!svg || !other) return;
    const data = svg.dataset,
      margin = Number(data.margin),
      // From one corner to the other on the photo, and on the drawing: their ratio is the turn and the scale.
      [dx, dy] = [other.x - one.x, other.y - one.y],
      [wide, high] = [Number(data.wideMm) * Number(data.scale), Number(data.highMm) * Number(data.scale)],
      length = dx * dx + dy * dy;
    if (length === 0) return;
    const re = (wide * dx + high * dy) / length,
      im = (high * dx - wide * dy) / length,
      image = document.createElementNS("http://www.w3.org/2000/svg", "image");
    image.setAttribute("href", photo.href);
    image.setAttribute("width", photo.wide);
    image.setAttribute("height", photo.high);
    image.setAttribute("class", "board-photo");
    image.setAttribute(
      "transform",
      `matrix(${re} ${im} ${-im} ${re} ${margin - re * one.x + im * one.y} ${margin - im * one.x - re * one.y})`,
    );
    svg.querySelector(".board-ground").after(image);
  };

  const draw = () => {
    for (const [board, photo] of photos) {
      const place = named("[data-photo-of", board);
      if (!place) continue;
      place.querySelector("figure")?.remove();
      const figure = document.createElement("figure"),
        image = document.createElement("img"),
        said = document.createElement("figcaption");
      image.src = photo.href;
      image.alt = "The photo of the board";
      image.dataset.corners = board;
      said.setAttribute("role", "status");
      said.textContent = words[photo.taps.length];
      figure.append(image, said);
      figure.classList.toggle("laid", photo.taps.length === 2);
      place.append(figure);
      lay(board, photo);
    }
  };

  document.addEventListener("change", (event) => {
    const [file] = event.target.matches?.("[data-under]") ? event.target.files : [];
    if (!file) return;
    event.stopPropagation();
    const board = event.target.dataset.under,
      reader = new FileReader();
    reader.onload = () => {
      const image = new Image();
      image.onload = () => {
        photos.set(board, { href: reader.result, wide: image.naturalWidth, high: image.naturalHeight, taps: [] });
        draw();
      };
      image.src = reader.result;
    };
    reader.readAsDataURL(file);
  });
  document.addEventListener("click", (event) => {
    const image = event.target.closest("img[data-corners]"),
      photo = image && photos.get(image.dataset.corners);
    if (!photo) return;
    const box = image.getBoundingClientRect(),
      scale = image.naturalWidth / box.width;
    if (photo.taps.length === 2) photo.taps = [];
    photo.taps.push({ x: (event.clientX - box.left) * scale, y: (event.clientY - box.top) * scale });
    draw();
  });
  document.addEventListener("cabin:shown", draw);
})();
