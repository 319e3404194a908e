// Every press is a plain form or link. With script it is sent in the background and the frame is changed in place; without,
// the page loads again.
(() => {
  "use strict";
  const frame = () => document.getElementById("frame");

  // Fields changed since their form was last sent: what was typed while an answer was on its way is not overwritten by it.
  const typed = new Set();
  document.addEventListener("input", (event) => typed.add(event.target));
  document.addEventListener("change", (event) => typed.add(event.target));

  // A page's own style sheet and script are fetched before it is shown; those that came before stay.
  const bring = (next) =>
    Promise.all(
      [...next.head.querySelectorAll("link[rel=stylesheet], script[src]")].map((wanted) => {
        const name = wanted.tagName === "LINK" ? "href" : "src";
        const path = wanted.getAttribute(name);
        if (document.head.querySelector(`[${name}="${CSS.escape(path)}"]`)) return null;
        const own = document.createElement(wanted.tagName);
        for (const { name: each, value } of wanted.attributes) own.setAttribute(each, value);
        return new Promise((done) => {
          own.onload = own.onerror = done;
          document.head.append(own);
        });
      }),
    );

  const fields = "input:not([type=hidden]), select, option, textarea";

  // Every answer has another token and version in all its forms. Where it is one for all of them, it is laid in by itself: forms
  // that say the same else are the same then. Returns what lays the new one in.
  const hold = (name, incoming) => {
    const all = (within) => [...within.querySelectorAll(`input[type=hidden][name="${name}"]`)];
    const one = (inputs) => inputs.length > 0 && inputs.every((el) => el.value === inputs[0].value);
    const now = all(frame()),
      next = all(incoming);
    if (!one(now) || !one(next)) return () => {};
    const [before, after] = [now[0].value, next[0].value];
    for (const el of next) el.setAttribute("value", before);
    return () => {
      for (const el of all(frame())) el.setAttribute("value", after);
    };
  };

  // What moves to another place of the page is made once more there, under its old id: that is what is meant from then on.
  const heir = (el) => (el.isConnected ? el : el.id ? document.getElementById(el.id) : null);

  // Runs what changes the page. What was being typed into things that move goes with them, and so does the caret.
  const carry = (change) => {
    const at = document.activeElement,
      caret = "selectionStart" in at ? [at.selectionStart, at.selectionEnd] : null;
    change();
    for (const el of [...typed]) {
      if (el.isConnected) continue;
      typed.delete(el);
      const next = heir(el);
      if (!next) continue;
      typed.add(next);
      if (el.type === "checkbox" || el.type === "radio") next.checked = el.checked;
      else if (el.type === "file") next.files = el.files;
      else next.value = el.value;
      // The browser tells of no change that a person has not made in this very field.
      next.addEventListener("blur", () => next.dispatchEvent(new Event("change", { bubbles: true })), { once: true });
    }
    const next = at.isConnected ? null : heir(at);
    next?.focus({ preventScroll: true });
    if (caret && caret[0] !== null) next?.setSelectionRange?.(...caret);
  };

  const show = async (html, url) => {
    const next = new DOMParser().parseFromString(html, "text/html");
    const incoming = next.getElementById("frame");
    if (!incoming) {
      location.href = url;
      return;
    }
    await bring(next);
    // What was typed on another page is not meant for this one.
    if (new URL(url, location.href).pathname !== location.pathname) typed.clear();
    document.documentElement.dataset.lamp = next.documentElement.dataset.lamp;
    document.title = next.title;
    const lay = ["__RequestVerificationToken", "version"].map((name) => hold(name, incoming));
    carry(() =>
      window.Alpine.morph(frame(), incoming, {
        key: (el) => el.id,
        updating(el, to, childrenOnly, skip) {
          // What is the same in the answer is passed over whole; but what was typed into a field is no attribute of it.
          if (el.nodeType === 1 && el.isEqualNode(to) && !el.matches(fields) && !el.querySelector(fields)) return skip();
          if (el.tagName === "INPUT" && typed.has(el) && el.type !== "hidden") to.setAttribute("value", el.value);
          if (el.tagName === "DETAILS" && el.open && el.id !== "switcher") to.setAttribute("open", "");
          if (el.tagName === "DIALOG" && el.open) to.setAttribute("open", "");
        },
        updated(el) {
          if (typed.has(el) || (el.tagName === "OPTION" && typed.has(el.closest("select")))) return;
          if (el.tagName === "OPTION") el.selected = el.hasAttribute("selected");
          else if (el.type === "checkbox" || el.type === "radio") el.checked = el.hasAttribute("checked");
          else if (el.tagName === "INPUT" && el.type !== "file") el.value = el.getAttribute("value") ?? "";
        },
      }),
    );
    for (const each of lay) each();
    // A text area's new text is its child, which is laid after "updated".
    for (const el of frame().querySelectorAll("textarea")) if (!typed.has(el)) el.value = el.defaultValue;
    // What a script has drawn is not in the answer: it draws again.
    document.dispatchEvent(new Event("cabin:shown"));
  };

  // One question at a time. What is pressed meanwhile waits for the answer; the same press twice counts once.
  let sending = null,
    left = false;
  const waiting = [];
  const wait = (by, act) => {
    if (sending === by && by.tagName !== "FORM") return;
    if (waiting.length && waiting[waiting.length - 1].by === by) waiting.pop();
    waiting.push({ by, act });
  };
  const send = async (by, url, options, keep) => {
    sending = by;
    frame().setAttribute("aria-busy", "true");
    try {
      const answer = await fetch(url, { credentials: "same-origin", ...options });
      // A press is answered with the page that it leads to: its address comes with it.
      const at = new URL(answer.headers.get("cabin-page") || answer.url, location.href).href;
      if (!(answer.headers.get("content-type") || "").startsWith("text/html")) {
        location.href = url;
        return;
      }
      // What could not be kept stays as it was typed; the cause is told over it.
      if ((answer.status >= 500 || answer.status === 401) && options.method === "POST") {
        const page = new DOMParser().parseFromString(await answer.text(), "text/html");
        const told = page.querySelector("main .empty p, main .notice");
        alert(told ? told.textContent : "Something broke. Nothing that was confirmed is lost.");
      } else await show(await answer.text(), at);
      if (!keep && !left && answer.ok && at !== location.href) history.pushState(null, "", at);
    } catch {
      alert("The cabin did not answer. Nothing was changed; is it still running?");
    } finally {
      sending = null;
      frame().removeAttribute("aria-busy");
    }
    lookAgain();
    while (!sending && waiting.length) waiting.shift().act();
  };

  // A form that lives sends itself when a field of it has changed, unless a button of it is pressed first.
  let due = 0,
    dueForm = null;
  document.addEventListener("change", (event) => {
    const form = event.target.closest("form[data-live]");
    if (!form) return;
    clearTimeout(due);
    dueForm = form;
    due = setTimeout(() => heir(form)?.requestSubmit(), 120);
  });

  // What is typed into such a form and not sent yet goes with the page that is left.
  window.addEventListener("pagehide", () => {
    const form = dueForm?.isConnected ? dueForm : [...typed].map((el) => el.form).find((f) => f?.hasAttribute("data-live"));
    if (form && [...form.elements].some((el) => typed.has(el))) navigator.sendBeacon(form.action, new FormData(form));
  });

  const submit = (before, submitter) => {
    const form = heir(before);
    if (!form) return;
    if (sending) {
      wait(submitter || form, () => submit(form, submitter && heir(submitter)));
      return;
    }
    const body = new URLSearchParams(new FormData(form, submitter));
    for (const el of form.elements) typed.delete(el);
    return send(submitter || form, form.action, { method: "POST", body, headers: { "Cabin-At-Once": "1" } }, false);
  };

  document.addEventListener("submit", (event) => {
    const form = event.target,
      first = dueForm;
    clearTimeout(due);
    dueForm = null;
    if (!form.hasAttribute("data-swap")) return;
    event.preventDefault();
    // What was typed last goes first, so that an undo takes just that back.
    if (first && first !== form && first.isConnected) submit(first, null);
    submit(form, event.submitter);
  });

  const follow = (link) => {
    if (sending) {
      wait(link, () => follow(link));
      return;
    }
    send(link, link.getAttribute("href"), {}, false).then(() => {
      if (link.closest(".trail")) {
        window.scrollTo(0, 0);
        centre();
      }
    });
  };

  document.addEventListener("click", (event) => {
    const link = event.target.closest("a[data-swap]");
    if (!link || event.metaKey || event.ctrlKey || event.shiftKey || event.button !== 0) return;
    event.preventDefault();
    if (dueForm?.isConnected) dueForm.requestSubmit();
    follow(link);
  });

  // Work that takes its time is looked at again until it is done.
  let again = 0;
  const lookAgain = () => {
    clearTimeout(again);
    const under = document.querySelector("[data-again]");
    if (under)
      again = setTimeout(() => {
        if (!sending && under.isConnected) send(under, under.dataset.url, {}, true).then(lookAgain);
        else lookAgain();
      }, Number(under.dataset.again));
  };
  document.addEventListener("DOMContentLoaded", lookAgain);

  // Files dropped on a form that takes them land in its field; dropped beside it they do not leave the page.
  const carriesFiles = (event) => event.dataTransfer && [...event.dataTransfer.types].includes("Files");
  document.addEventListener("dragover", (event) => {
    if (!carriesFiles(event)) return;
    event.preventDefault();
    const form = event.target.closest?.("form[data-drop]");
    event.dataTransfer.dropEffect = form ? "copy" : "none";
    for (const other of document.querySelectorAll("form.dropping")) if (other !== form) other.classList.remove("dropping");
    form?.classList.add("dropping");
  });
  document.addEventListener("dragleave", (event) => {
    if (!event.relatedTarget)
      for (const form of document.querySelectorAll("form.dropping")) form.classList.remove("dropping");
  });
  document.addEventListener("drop", (event) => {
    if (!carriesFiles(event)) return;
    event.preventDefault();
    const form = event.target.closest?.("form[data-drop]"),
      field = form?.querySelector("input[type=file]");
    form?.classList.remove("dropping");
    if (!field) return;
    const files = new DataTransfer();
    for (const file of [...event.dataTransfer.files].slice(0, field.multiple ? undefined : 1)) files.items.add(file);
    field.files = files.files;
    field.dispatchEvent(new Event("change", { bubbles: true }));
    field.focus();
  });

  // The way back is a load like any other: it waits for a press that is on its way, and presses wait for it. The answer that
  // comes meanwhile is not put on top of the page that was gone back to.
  const back = { tagName: "FORM" };
  const goBack = () => {
    if (sending) {
      left = true;
      wait(back, goBack);
      return;
    }
    left = false;
    send(back, location.href, {}, true);
  };
  window.addEventListener("popstate", goBack);

  // The shelf opens as it was left: at the same place, and by the same filter.
  window.addEventListener("pagehide", () => {
    if (location.pathname === "/") sessionStorage.setItem("cabin-shelf", JSON.stringify([location.search, window.scrollY]));
  });
  document.addEventListener("DOMContentLoaded", () => {
    const [search, at] = JSON.parse(sessionStorage.getItem("cabin-shelf") || '["", 0]');
    for (const link of document.querySelectorAll('header a[href="/"]')) link.setAttribute("href", "/" + search);
    if (location.pathname === "/" && location.search === search && !location.hash) window.scrollTo(0, at);
  });

  const centre = () => {
    const trail = document.querySelector(".trail"),
      now = trail?.querySelector(".now");
    if (now) trail.scrollLeft = now.offsetLeft - (trail.clientWidth - now.offsetWidth) / 2;
  };
  document.addEventListener("DOMContentLoaded", centre);

  // Keys: see the list under "?". A letter does nothing while something is being typed.
  let afterG = 0;
  const press = (id) => {
    const button = document.getElementById(id);
    if (button && !button.disabled) button.click();
  };
  const step = (by) => {
    const stops = [...document.querySelectorAll(".trail a[data-station]")];
    const now = stops.findIndex((s) => s.getAttribute("aria-current") === "page");
    stops[now + by]?.click();
  };
  const keys = {
    "/": () => {
      const find = document.getElementById("find");
      find.focus();
      find.select();
    },
    "[": () => step(-1),
    "]": () => step(1),
    u: () => press("undo"),
    U: () => press("redo"),
    t: () => frame()._x_dataStack?.[0].toggleTray(),
    "?": () => frame()._x_dataStack?.[0].toggleKeys(),
    r: () => {
      const field = document.querySelector("[data-read=true]");
      field?.focus();
      field?.select();
    },
    " ": () => document.querySelector("[data-tick=true]:not(:disabled)")?.click(),
  };
  document.addEventListener("keydown", (event) => {
    if (event.ctrlKey || event.metaKey || event.altKey) return;
    const on = event.target;
    if (on.closest("input, textarea, select, dialog")) {
      if (event.key === "Escape") on.blur();
      return;
    }
    if (event.key === " " && on.closest("button, a, summary")) return;
    if (Date.now() - afterG < 1500) {
      afterG = 0;
      if (event.key === "h") {
        location.href = "/";
        return;
      }
      const stop = document.querySelector(`.trail a[data-station="${CSS.escape(event.key)}"]`);
      if (stop) {
        event.preventDefault();
        stop.click();
        return;
      }
    }
    if (event.key === "g") {
      afterG = Date.now();
      return;
    }
    const count = document.querySelector(`[data-key-count="${CSS.escape(event.key)}"]:enabled`);
    if (count) return count.click();
    const act = keys[event.key];
    if (!act) return;
    if (event.key === " " && !document.querySelector("[data-tick=true]")) return;
    event.preventDefault();
    act();
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
      for (const field of document.querySelectorAll(`[name="${name}${number}"]`)) {
        field.value = Math.round(value * scale);
        field.dispatchEvent(new Event("input", { bubbles: true }));
      }
    };
    put("x", event.clientX - box.left);
    put("y", event.clientY - box.top);
  });

  document.addEventListener("alpine:init", () => {
    window.Alpine.data("frame", () => ({
      trayOpen: false,
      get trayClass() {
        return this.trayOpen ? "open" : "";
      },
      toggleTray() {
        this.trayOpen = !this.trayOpen;
        const tray = document.getElementById("tray");
        if (this.trayOpen || !matchMedia("(max-width: 1100px)").matches) tray?.focus();
      },
      toggleKeys() {
        const keys = document.getElementById("keys");
        if (keys.open) keys.close();
        else keys.showModal();
      },
      print() {
        window.print();
      },
    }));
  });
})();
