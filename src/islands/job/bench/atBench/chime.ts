/** Two soft tones, a fifth apart, Hz; how loud and how long. */
const [TONES, LOUD, SECONDS] = [[392, 587], 0.06, 0.9] as const;

/** A quiet sound; nothing where the browser has none or does not allow it. */
export function chime(): void {
  try {
    const audio = new AudioContext();
    TONES.forEach((hertz, at) => {
      const begins = audio.currentTime + at * 0.25;
      const tone = audio.createOscillator();
      const gain = audio.createGain();
      tone.frequency.value = hertz;
      gain.gain.setValueAtTime(0, begins);
      gain.gain.linearRampToValueAtTime(LOUD, begins + 0.05);
      gain.gain.exponentialRampToValueAtTime(1e-4, begins + SECONDS);
      tone.connect(gain).connect(audio.destination);
      tone.start(begins);
      tone.stop(begins + SECONDS);
    });
    setTimeout(() => void audio.close(), 2000);
  } catch {
    // What is dry is also to be seen.
  }
}
