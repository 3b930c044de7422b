// A reader's page at work: sizes, measures, ticks, timers, the screen kept awake. It asks for nothing from anywhere, and works from a saved file.
(() => {
  const data = JSON.parse(document.getElementById('card-data').textContent);
  const all = (selector, within = document) => [...within.querySelectorAll(selector)];
  const one = (selector) => document.querySelector(selector);

  // What the reader did is kept by the browser where it lets a page keep anything; without that, until the page is closed.
  const shelf = `portiona-reader ${data.id}`;
  const kept = (() => {
    try {
      return JSON.parse(localStorage.getItem(shelf) ?? '{}');
    } catch {
      return {};
    }
  })();
  const state = { servings: kept.servings, units: kept.units, ticked: new Set(kept.ticked ?? []) };
  if (!data.sizes[state.units]?.length) state.units = data.own;
  if (!data.sizes[state.units].some(({ servings }) => servings === state.servings)) state.servings = data.servings;
  function keep() {
    try {
      localStorage.setItem(shelf, JSON.stringify({ ...state, ticked: [...state.ticked] }));
    } catch {
      // A saved file may be allowed to keep nothing: it works all the same.
    }
  }

  const sizeNow = () => data.sizes[state.units].find(({ servings }) => servings === state.servings);
  const ownSize = () => data.sizes[state.units].find(({ servings }) => servings === data.servings);

  function show() {
    const size = sizeNow();
    const own = ownSize();
    if (!size || !own) return;
    const isOwn = state.servings === data.servings;
    one('#servings').textContent = size.servingsText;
    for (const line of all('[data-line]')) {
      const [amount, second] = size.amounts[line.dataset.line] ?? ['', ''];
      line.querySelector('b').textContent = amount === 'to taste' ? '' : amount;
      line.querySelector('small').textContent = second;
    }
    for (const [i, mention] of all('[data-mention]').entries()) mention.textContent = size.mentions[i] ?? mention.textContent;
    one('#notes').replaceChildren(
      ...size.notes.map((words) => {
        const item = document.createElement('li');
        item.textContent = words;
        return item;
      }),
    );
    for (const [id, words] of [
      ['energy', size.energy],
      ['protein', size.protein],
      ['used', size.used],
    ])
      for (const place of all(`[data-bar="${id}"]`)) place.textContent = words;
    one('#said').textContent = said(size, own, isOwn);
    for (const plain of all('.steps .plain-amount')) plain.hidden = isOwn;
    one('#docket-own').hidden = isOwn && state.units === data.own;
    one('#times').hidden = state.servings <= 1.5 * data.servings;
    for (const button of all('[data-units]')) button.setAttribute('aria-pressed', String(button.dataset.units === state.units));
    one('#fewer').disabled = !next(-1);
    one('#more').disabled = !next(1);
    // What is printed is what is seen: the sheet is of the card's own size and measures.
    document.body.classList.toggle('as-printed', isOwn && state.units === data.own);
    keep();
  }

  function said(size, own, isOwn) {
    if (isOwn) return '';
    const times = state.servings / data.servings;
    const often = times === 2 ? 'Twice' : times === 3 ? 'Three times' : times === 0.5 ? 'Half' : undefined;
    const much = often ? `${often} the card’s ${data.servings}.` : `The card is for ${data.servings}.`;
    const same = size.energy === own.energy && size.protein === own.protein;
    const box = same
      ? `A ${data.name} stays ${own.energy}.`
      : `A ${data.name} is then ${size.energy}, ${size.protein} protein (the card’s: ${own.energy}, ${own.protein}).`;
    return `${much} ${box}`;
  }

  function next(step) {
    const sizes = data.sizes[state.units].map(({ servings }) => servings);
    return sizes[sizes.indexOf(state.servings) + step];
  }

  one('#fewer').addEventListener('click', () => {
    state.servings = next(-1) ?? state.servings;
    show();
  });
  one('#more').addEventListener('click', () => {
    state.servings = next(1) ?? state.servings;
    show();
  });
  // A card of before its numbers were kept is there in its own measures alone.
  for (const button of all('[data-units]')) button.hidden = data.sizes[button.dataset.units].length === 0;
  for (const button of all('[data-units]'))
    button.addEventListener('click', () => {
      state.units = button.dataset.units;
      show();
    });

  // As many as the reader's own pack is enough for: the most boxes that take no more of it than there is.
  one('#pack').addEventListener('submit', (event) => {
    event.preventDefault();
    const at = one('#pack-line').value;
    const grams = Number(one('#pack-grams').value.replace(',', '.'));
    const answer = one('#pack-said');
    const sizes = data.sizes[state.units].filter((size) => size.grams[at] > 0);
    if (!(grams > 0) || sizes.length === 0) {
      answer.textContent = 'Type how many grams there are.';
      return;
    }
    const enough = sizes.filter((size) => size.grams[at] <= grams).at(-1);
    if (!enough) {
      answer.textContent = `One ${data.name} takes ${Math.round(sizes[0].grams[at])} g of it.`;
      return;
    }
    state.servings = enough.servings;
    const left = grams - enough.grams[at];
    answer.textContent = `Enough for ${enough.servingsText}: they take ${Math.round(enough.grams[at])} g${left >= 1 ? `, ${Math.round(left)} g are left` : ''}.${enough === sizes.at(-1) ? ' More are not worked out here.' : ''}`;
    show();
  });

  // Lines and steps are ticked off, and stay so.
  for (const box of all('input[data-tick]')) {
    box.checked = state.ticked.has(box.dataset.tick);
    box.addEventListener('change', () => {
      if (box.checked) state.ticked.add(box.dataset.tick);
      else state.ticked.delete(box.dataset.tick);
      keep();
    });
  }
  one('#untick').addEventListener('click', () => {
    state.ticked.clear();
    for (const box of all('input[data-tick]')) box.checked = false;
    keep();
  });

  // Timers: each a button where its time stands, running on past zero until it is put out.
  const timers = [];
  let sound;
  function ring() {
    if (sound?.state !== 'running') return;
    for (const [at, pitch] of [
      [0, 880],
      [0.25, 1175],
    ]) {
      const tone = sound.createOscillator();
      const gain = sound.createGain();
      tone.frequency.value = pitch;
      gain.gain.setValueAtTime(0.25, sound.currentTime + at);
      gain.gain.exponentialRampToValueAtTime(0.001, sound.currentTime + at + 0.22);
      tone.connect(gain).connect(sound.destination);
      tone.start(sound.currentTime + at);
      tone.stop(sound.currentTime + at + 0.25);
    }
  }
  const clock = (seconds) => {
    const size = Math.abs(seconds);
    const parts = [Math.floor(size / 3600), Math.floor((size % 3600) / 60), size % 60];
    const [hours, minutes, rest] = parts;
    const two = (part) => String(part).padStart(2, '0');
    return `${seconds < 0 ? '+' : ''}${hours > 0 ? `${hours}:${two(minutes)}` : minutes}:${two(rest)}`;
  };
  function tick() {
    const list = one('#timers');
    list.replaceChildren(
      ...timers.map((timer) => {
        const left = Math.ceil((timer.ends - Date.now()) / 1000);
        const item = document.createElement('button');
        item.type = 'button';
        item.className = left <= 0 ? 'timer over' : 'timer';
        item.setAttribute(
          'aria-label',
          `${timer.name}, ${left > 0 ? `${clock(left)} left` : `over since ${clock(-left)}`}; press to put it out`,
        );
        const name = document.createElement('span');
        name.textContent = `${left <= 0 ? '▲ ' : ''}${timer.name}`;
        const time = document.createElement('b');
        time.textContent = clock(left);
        item.append(name, time);
        item.addEventListener('click', () => {
          timers.splice(timers.indexOf(timer), 1);
          tick();
        });
        if (left <= 0 && left > -60 && left !== timer.rang && left % 3 === 0) {
          timer.rang = left;
          ring();
        }
        return item;
      }),
    );
    document.title = timers.some(({ ends }) => ends <= Date.now()) ? `▲ ${data.title}` : data.title;
  }
  for (const button of all('[data-minutes]'))
    button.addEventListener('click', () => {
      sound ??= typeof AudioContext === 'undefined' ? undefined : new AudioContext();
      sound?.resume();
      timers.push({
        name: `Step ${button.dataset.step}, ${button.textContent.trim()}`,
        ends: Date.now() + Number(button.dataset.minutes) * 60_000,
      });
      tick();
      one('#timers-said').textContent = `A timer runs for ${button.textContent.trim()}`;
    });
  setInterval(() => timers.length > 0 && tick(), 500);

  // The screen stays on while somebody cooks by it, where the browser can do that.
  let awake;
  const awakeButton = one('#awake');
  if (navigator.wakeLock) {
    awakeButton.hidden = false;
    const keepAwake = async () => {
      try {
        awake = await navigator.wakeLock.request('screen');
        awake.addEventListener('release', () => awakeButton.setAttribute('aria-pressed', 'false'));
        awakeButton.setAttribute('aria-pressed', 'true');
      } catch {
        awakeButton.setAttribute('aria-pressed', 'false');
      }
    };
    awakeButton.addEventListener('click', () => {
      if (awakeButton.getAttribute('aria-pressed') === 'true') awake?.release();
      else keepAwake();
    });
  }

  // The docket opens from the foot; Escape and a press beside it close it.
  const docket = one('#docket');
  one('#open-docket').addEventListener('click', () => docket.showModal());
  one('#close-docket').addEventListener('click', () => docket.close());
  docket.addEventListener('click', (event) => event.target === docket && docket.close());
  one('#print').addEventListener('click', () => print());

  for (const part of all('[data-needs-script]')) part.hidden = false;
  show();
})();
