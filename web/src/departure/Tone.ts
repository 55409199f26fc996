const LENGTH_S = 0.35;
const FIRST_HZ = 392;
const SECOND_HZ = 523;
const LOUDNESS = 0.06;
const SILENCED = 'skelda.silenced';

/** A quiet two-note tone, unlike any warning in an aircraft. */
export class Tone {
  private context: AudioContext | null = null;
  private readonly listeners = new Set<() => void>();

  subscribe = (listener: () => void): (() => void) => {
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  };

  armed = (): boolean => this.context?.state === 'running';

  silenced = (): boolean => localStorage.getItem(SILENCED) === 'yes';

  /** Stays so on this device until it is changed again. */
  silence(silent: boolean): void {
    localStorage.setItem(SILENCED, silent ? 'yes' : 'no');
    for (const listener of this.listeners) listener();
  }

  async arm(): Promise<void> {
    if (typeof AudioContext === 'undefined') return;
    this.context ??= new AudioContext();
    await this.context.resume();
    for (const listener of this.listeners) listener();
  }

  play(): void {
    const context = this.context;
    if (!context || context.state !== 'running' || this.silenced()) return;
    [FIRST_HZ, SECOND_HZ].forEach((hz, index) => {
      const begin = context.currentTime + index * LENGTH_S * 0.6;
      const gain = context.createGain();
      gain.gain.setValueAtTime(0, begin);
      gain.gain.linearRampToValueAtTime(LOUDNESS, begin + 0.03);
      gain.gain.exponentialRampToValueAtTime(0.0001, begin + LENGTH_S);
      const note = context.createOscillator();
      note.type = 'sine';
      note.frequency.value = hz;
      note.connect(gain).connect(context.destination);
      note.start(begin);
      note.stop(begin + LENGTH_S);
    });
  }
}
