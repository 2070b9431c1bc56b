import { useCallback, useEffect, useState, type ComponentType } from 'react';

type Load = () => Promise<{ default: ComponentType }>;

/** A screen of an orchard: where it stands below the orchard's address, and its word in the frame, if it has one. */
export interface ScreenAt {
  path: string;
  Screen: ComponentType;
  /** foot: what it is called under the thumb, where that is another word. */
  word?: { name: string; foot?: string; place: number };
  /** It stands without a place too: what plans cannot. */
  placeless?: boolean;
}

const reloadedKey = 'vertumna-reloaded';
const askMs = 3000;
const reloadMs = 60_000;

/** Whether the page may load itself anew: not again and again. */
function mayReload(): boolean {
  try {
    const last = Number(sessionStorage.getItem(reloadedKey) ?? 0);
    if (Date.now() - last < reloadMs) return false;
    sessionStorage.setItem(reloadedKey, String(Date.now()));
    return true;
  } catch {
    return false;
  }
}

/**
 * A screen whose code comes when it is first opened. When it does not come the frame stays and says so; it is asked for again until the
 * program answers. If the program answers and the code is not there, the program is a newer one: the page loads itself anew, once.
 */
export function screen(load: Load): ComponentType {
  let known: ComponentType | null = null;
  return function Screen() {
    const [Loaded, setLoaded] = useState(() => known);
    const [lost, setLost] = useState(0);
    const [tries, setTries] = useState(0);
    const again = useCallback(() => setTries((n) => n + 1), []);
    useEffect(() => {
      if (known) return;
      let here = true;
      load().then(
        (m) => {
          known = m.default;
          if (here) setLoaded(() => m.default);
        },
        () => {
          if (here) setLost((n) => n + 1);
        },
      );
      return () => {
        here = false;
      };
    }, [tries]);
    useEffect(() => {
      if (lost === 0) return;
      const ask = () => {
        fetch('/healthz', { cache: 'no-store' }).then(
          (r) => {
            if (!r.ok) return;
            if (lost > 1 && mayReload()) window.location.reload();
            else again();
          },
          () => undefined, // still away: asked again
        );
      };
      const t = setInterval(ask, askMs);
      window.addEventListener('online', ask);
      return () => {
        clearInterval(t);
        window.removeEventListener('online', ask);
      };
    }, [lost, again]);
    if (Loaded) return <Loaded />;
    if (lost === 0) return <p className="page q late">Opening the screen.</p>;
    return (
      <div className="page">
        <div className="trouble" role="alert">
          No answer from Vertumna, so this screen could not be opened. It opens by itself when the program answers.
        </div>
        <button type="button" className="bordered" onClick={again}>
          Try again
        </button>
      </div>
    );
  };
}
