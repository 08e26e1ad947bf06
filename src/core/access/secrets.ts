/** Digits of a PIN at least: a million of them, and a growing wait after each wrong one. */
export const SHORTEST_PIN = 6;
export const LONGEST_PIN = 12;
/** Characters of a lead’s password at least. */
export const SHORTEST_PASSWORD = 12;
export const LONGEST_PASSWORD = 200;

/** Whether the digits of a PIN are one digit again and again, or go up or down one by one. */
function isCounted(pin: string): boolean {
  const steps = [...pin].slice(1).map((digit, i) => Number(digit) - Number(pin[i]));
  const [first = 0] = steps;
  return Math.abs(first) <= 1 && steps.every((step) => step === first);
}

/** Whether a PIN is a short run again and again, like 121212 or 123123. */
function isRepeated(pin: string): boolean {
  return [2, 3].some((length) => {
    const run = pin.slice(0, length);
    return pin.length % length === 0 && run.repeat(pin.length / length) === pin;
  });
}

/** Why digits are no PIN, in words; null where they may be one. */
export function refusePin(pin: string): string | null {
  if (!/^\d+$/.test(pin)) return 'A PIN is digits only.';
  if (pin.length < SHORTEST_PIN) return `A PIN has at least ${SHORTEST_PIN} digits.`;
  if (pin.length > LONGEST_PIN) return `A PIN has at most ${LONGEST_PIN} digits.`;
  if (isCounted(pin) || isRepeated(pin))
    return 'This PIN is guessed first: take digits in no order.';
  return null;
}

/** Why a text is no password of a lead, in words; null where it may be one. */
export function refusePassword(password: string, name: string): string | null {
  if (password.length < SHORTEST_PASSWORD) {
    return `A password has at least ${SHORTEST_PASSWORD} characters: some words in a row will do.`;
  }
  if (password.length > LONGEST_PASSWORD) {
    return `A password has at most ${LONGEST_PASSWORD} characters.`;
  }
  if (new Set(password).size < 5)
    return 'This password is guessed first: take some words in a row.';
  const rest = name === '' ? password : password.toLowerCase().replaceAll(name.toLowerCase(), '');
  if (rest.trim() === '') {
    return 'The name is no password.';
  }
  return null;
}
