// The meter by keyboard: b for a beep, n for none.
document.addEventListener("keydown", (event) => {
  if (event.defaultPrevented || event.ctrlKey || event.metaKey || event.altKey) return;
  if (event.target.closest("input, textarea, select, dialog")) return;
  const button = document.querySelector(`.says [data-key="${CSS.escape(event.key)}"]`);
  if (!button) return;
  event.preventDefault();
  button.click();
});

// Two places are tapped on a photo: the first fills the first pair of numbers, the next the second, and so on in turn.
let tap = 0;
document.addEventListener("click", (event) => {
  const photo = event.target.closest("img.tapped");
  if (!photo) return;
  const box = photo.getBoundingClientRect(),
    scale = photo.naturalWidth / box.width,
    number = (tap++ % 2) + 1;
  const put = (name, value) => {
    const field = document.querySelector(`.lay [name="${name}${number}"]`);
    field.value = Math.round(value * scale);
    field.dispatchEvent(new Event("input", { bubbles: true }));
  };
  put("x", event.clientX - box.left);
  put("y", event.clientY - box.top);
});
