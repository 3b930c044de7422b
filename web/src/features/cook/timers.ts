import type { Timer } from '@portiona/core';

/** How a timer stands. */
export interface TimerNow {
  readonly timer: Timer;
  /** Seconds left; below nothing it has rung and counts on. */
  readonly left: number;
  /** Share used up, 0 to 1. */
  readonly used: number;
}

export function timerNow(timer: Timer, now: number): TimerNow {
  const whole = timer.minutes * 60;
  const gone = Math.max(0, (now - Date.parse(timer.started)) / 1000);
  return { timer, left: whole - gone, used: whole > 0 ? Math.min(1, gone / whole) : 1 };
}

/** Minutes and seconds: "18:36", "1:04:20"; of what is over, how long. */
export function clockFace(seconds: number): string {
  // A second that is begun is not over; one past the end is.
  const whole = seconds >= 0 ? Math.ceil(seconds - 1e-6) : Math.floor(-seconds);
  const [hours, minutes, rest] = [Math.floor(whole / 3600), Math.floor((whole % 3600) / 60), whole % 60];
  const two = (of: number) => String(of).padStart(2, '0');
  return hours > 0 ? `${hours}:${two(minutes)}:${two(rest)}` : `${minutes}:${two(rest)}`;
}
