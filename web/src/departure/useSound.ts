import { useEffect, useState, useSyncExternalStore } from 'react';
import { Tone } from './Tone';

const tone = new Tone();

/** Lets a quiet tone sound. */
export function playTone(): void {
  tone.play();
}

/** Whether tones can be heard; browsers allow them only after a press on the page, which arms them. */
export function useSound(): boolean {
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
  return useSyncExternalStore(tone.subscribe, tone.armed);
}
