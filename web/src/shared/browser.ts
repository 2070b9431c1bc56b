/**
 * What is kept in this browser. It may be full, or forbid it: then nothing is read, and what would be kept is said to be lost; the screen
 * goes on.
 */
export function kept(key: string): string | null {
  try {
    return localStorage.getItem(key);
  } catch {
    return null;
  }
}

/** Keeps a text under a name; false where the browser will not. */
export function keep(key: string, text: string): boolean {
  try {
    localStorage.setItem(key, text);
    return true;
  } catch {
    return false;
  }
}

export function forget(key: string): void {
  try {
    localStorage.removeItem(key);
  } catch {
    // there is nothing to forget
  }
}

/** All names that something is kept under. */
export function keptNames(): string[] {
  try {
    return Array.from({ length: localStorage.length }, (_, i) => localStorage.key(i) ?? '');
  } catch {
    return [];
  }
}
