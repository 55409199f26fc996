import { useEffect, useState, useSyncExternalStore } from 'react';
import { Tone } from './Tone';

const tone = new Tone();

/** Lets a quiet tone sound. */
export function playTone(): void {
  tone.play();
}

/** Silences tones on this device, or lets them sound again. */
export function silence(silent: boolean): void {
  tone.silence(silent);
}

/** Whether tones are silenced on this device. */
export function isSilenced(): boolean {
  return tone.silenced();
}

/** Why no tone can be heard: silenced here, or not armed by a press on the page yet. Null when they can be. */
export function useNoSound(): 'silenced' | 'off' | null {
  const [, setArmed] = useState(false);
  useEffect(() => {
    const arm = () => {
      void tone.arm().then(() => setArmed(true));
    };
    window.addEventListener('pointerdown', arm, { once: true });
    window.addEventListener('keydown', arm, { once: true });
    return () => {
      window.removeEventListener('pointerdown', arm);
      window.removeEventListener('keydown', arm);
    };
  }, []);
  const silenced = useSyncExternalStore(tone.subscribe, tone.silenced);
  const armed = useSyncExternalStore(tone.subscribe, tone.armed);
  return silenced ? 'silenced' : armed ? null : 'off';
}
