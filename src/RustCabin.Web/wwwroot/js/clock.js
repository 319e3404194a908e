// What goes on by itself: how much of it is left, and the ring when it is over.
(() => {
  "use strict";
  // The time by the cabin's own clock: that of a phone may be off, and a lamp must not seem done before it is.
  const ahead = Date.parse(document.documentElement.dataset.now) - Date.now();
  window.cabinNow = () => Date.now() + ahead;

  // What runs down shows what is left of it, by the clock and not by counting, so that a sleeping page is right again at once.
  const ended = new Set();
  const runDown = () => {
    for (const el of document.querySelectorAll("[data-ring-at]"))
      if (window.cabinNow() >= Date.parse(el.dataset.ringAt)) {
        el.classList.add("over");
        window.cabinRing(el.dataset.ringAt);
      }
    for (const el of document.querySelectorAll("[data-until]")) {
      const left = Math.max(0, Math.ceil((Date.parse(el.dataset.until) - window.cabinNow()) / 1000));
      el.textContent = Math.floor(left / 60) + ":" + String(left % 60).padStart(2, "0");
      if (left === 0 && !el.classList.contains("over")) {
        el.classList.add("over");
        // The same may stand at two places of a page.
        if (!ended.has(el.dataset.until)) document.title = el.dataset.over + " " + document.title;
        ended.add(el.dataset.until);
      }
    }
  };

  // Rings once for each thing, in whichever page it is heard first; not at all where a person set it off.
  window.cabinRing = (about) => {
    const rung = sessionStorage.getItem("rung") || "";
    if (rung.includes(`|${about}|`)) return;
    sessionStorage.setItem("rung", `${rung.slice(-2000)}|${about}|`);
    document.documentElement.dataset.rang = about;
    if (document.documentElement.dataset.ring === "off") return;
    // A browser sounds nothing before a person has pressed something on the page.
    if (navigator.userActivation && !navigator.userActivation.hasBeenActive) return;
    try {
      const sound = new AudioContext();
      for (const [at, hz] of [[0, 660], [0.35, 880], [0.7, 660]]) {
        const tone = sound.createOscillator(),
          loud = sound.createGain();
        tone.frequency.value = hz;
        loud.gain.setValueAtTime(0.25, sound.currentTime + at);
        loud.gain.exponentialRampToValueAtTime(0.001, sound.currentTime + at + 0.3);
        tone.connect(loud).connect(sound.destination);
        tone.start(sound.currentTime + at);
        tone.stop(sound.currentTime + at + 0.32);
      }
    } catch {
      // A browser without sound still shows that the time is over.
    }
  };
  setInterval(runDown, 1000);
})();
