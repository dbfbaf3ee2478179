/** Cues are made in the page, so they need no file and no network. */
class Sound {
  muted = $state(localStorage.getItem('kindwhisk.muted') === 'yes');
  #context: AudioContext | null = null;

  toggle(): void {
    this.muted = !this.muted;
    localStorage.setItem('kindwhisk.muted', this.muted ? 'yes' : 'no');
  }

  /** A soft bell: once for a cue, twice for soon, three times for now, the last ones higher. */
  ring(strikes = 1): void {
    if (this.muted) return;
    try {
      this.#context ??= new AudioContext();
    } catch {
      return;
    }
    const context = this.#context;
    const higher = strikes > 2 ? 1.25 : 1;
    for (let n = 0; n < strikes; n++) {
      const at = context.currentTime + n * 0.35;
      for (const [pitch, loud] of [
        [880, 0.35],
        [1320, 0.18],
      ] as const) {
        const tone = context.createOscillator();
        const gain = context.createGain();
        tone.frequency.value = pitch * higher;
        gain.gain.setValueAtTime(loud, at);
        gain.gain.exponentialRampToValueAtTime(0.001, at + 1.1);
        tone.connect(gain).connect(context.destination);
        tone.start(at);
        tone.stop(at + 1.2);
      }
    }
  }
}

export const sound = new Sound();
