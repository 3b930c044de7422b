import { useEffect, useRef, useState } from 'react';
import type { Timer } from '@portiona/core';
import { timerNow, type TimerNow } from './timers';

/** Seconds after its end that a timer still rings. */
const RINGS_FOR = 60;
/** Milliseconds between its rings. */
const BETWEEN = 3_000;

/** Timers as they stand, second by second; one that is over rings, by sound, in the page's title, and where the browser may notify. */
export function useRinging(timers: readonly Timer[]): readonly TimerNow[] {
  const [now, setNow] = useState(() => Date.now());
  const rung = useRef(new Map<string, number>());
  const count = timers.length;
  useEffect(() => {
    if (count === 0) return undefined;
    const tick = setInterval(() => setNow(Date.now()), 500);
    const wake = () => setNow(Date.now());
    document.addEventListener('visibilitychange', wake);
    return () => {
      clearInterval(tick);
      document.removeEventListener('visibilitychange', wake);
    };
  }, [count]);
  const standing = timers.map((timer) => timerNow(timer, now));
  const over = standing.filter(({ left }) => left <= 0);
  const names = over.map(({ timer }) => timer.name).join(', ');
  useEffect(() => {
    if (names === '') return undefined;
    const before = document.title;
    document.title = `▲ ${names} – Portiona`;
    return () => {
      document.title = before;
    };
  }, [names]);
  useEffect(() => {
    for (const { timer, left } of over) {
      const last = rung.current.get(timer.id);
      if (left < -RINGS_FOR || (last !== undefined && now - last < BETWEEN)) continue;
      rung.current.set(timer.id, now);
      ring();
      if (last === undefined) notify(timer);
    }
  });
  return standing;
}

/** Asked for while a press is under way: a browser lets nothing sound or notify that nobody asked for. */
export function readyToRing(): void {
  sound ??= typeof AudioContext === 'undefined' ? undefined : new AudioContext();
  void sound?.resume();
  if (typeof Notification !== 'undefined' && Notification.permission === 'default') void Notification.requestPermission();
}

let sound: AudioContext | undefined;

/** Two short tones. */
function ring(): void {
  if (sound?.state !== 'running') return;
  for (const [at, pitch] of [
    [0, 880],
    [0.25, 1175],
  ] as const) {
    const tone = sound.createOscillator();
    const gain = sound.createGain();
    tone.frequency.value = pitch;
    gain.gain.setValueAtTime(0.25, sound.currentTime + at);
    gain.gain.exponentialRampToValueAtTime(0.001, sound.currentTime + at + 0.22);
    tone.connect(gain).connect(sound.destination);
    tone.start(sound.currentTime + at);
    tone.stop(sound.currentTime + at + 0.24);
  }
}

function notify({ name, minutes }: Timer): void {
  if (typeof Notification === 'undefined' || Notification.permission !== 'granted' || document.visibilityState === 'visible') return;
  new Notification(name, { body: `${minutes} min are over.`, tag: name });
}
