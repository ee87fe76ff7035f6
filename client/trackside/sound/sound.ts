/** Sounds made in code, and speech where the browser has it. Nothing is heard before the first touch of the page: browsers want it so. */
const TONES = {
  tick: { hz: 880, s: 0.09 },
  go: { hz: 1320, s: 0.45 },
  say: undefined,
} as const;
export type Sound = keyof typeof TONES;

let context: AudioContext | undefined;

function audio(): AudioContext | undefined {
  try {
    context ??= new AudioContext();
    if (context.state === 'suspended') void context.resume();
    return context;
  } catch {
    return undefined;
  }
}

/** A tone: short for the last seconds, long for the start. @returns false where there is no sound. */
export function beep(sound: Sound): boolean {
  const tone = TONES[sound];
  const out = audio();
  if (!tone || !out) return false;
  const oscillator = out.createOscillator();
  const gain = out.createGain();
  const at = out.currentTime;
  // A square wave carries furthest over a windy track; the ramps keep it from clicking.
  oscillator.type = 'square';
  oscillator.frequency.value = tone.hz;
  gain.gain.setValueAtTime(0, at);
  gain.gain.linearRampToValueAtTime(0.6, at + 0.01);
  gain.gain.setValueAtTime(0.6, at + tone.s - 0.03);
  gain.gain.linearRampToValueAtTime(0, at + tone.s);
  oscillator.connect(gain).connect(out.destination);
  oscillator.start(at);
  oscillator.stop(at + tone.s);
  return true;
}

/** Says something aloud. What is still being said gives way: at the track only the latest counts. @returns false where there is no speech. */
export function say(words: string): boolean {
  if (typeof speechSynthesis === 'undefined') return false;
  speechSynthesis.cancel();
  const utterance = new SpeechSynthesisUtterance(words);
  utterance.lang = 'en-GB';
  utterance.rate = 1.05;
  speechSynthesis.speak(utterance);
  return true;
}

/** True where the browser has voices to speak with. */
export const canSpeak = (): boolean => typeof speechSynthesis !== 'undefined' && speechSynthesis.getVoices().length > 0;

/** Ready to be heard: called on a touch, so that calls later on are allowed. */
export const wakeSound = (): boolean => audio() !== undefined;

export function hush(): void {
  if (typeof speechSynthesis !== 'undefined') speechSynthesis.cancel();
}
