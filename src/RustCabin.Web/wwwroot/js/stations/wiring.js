// The meter by keyboard: b for a beep, n for none.
document.addEventListener("keydown", (event) => {
  if (event.defaultPrevented || event.ctrlKey || event.metaKey || event.altKey) return;
  if (event.target.closest("input, textarea, select, dialog")) return;
  const button = document.querySelector(`.says [data-key="${CSS.escape(event.key)}"]`);
  if (!button) return;
  event.preventDefault();
  button.click();
});
