import Popover from '@mui/material/Popover';
import { useId, useMemo, useState, type ReactNode } from 'react';
import { spellings, type Trade } from './words';
import css from './help.module.css';

/** What a trade word is: its sentence, and its drawing. */
export function WordCard({ t }: { t: Trade }) {
  return (
    <div className={css.wordcard}>
      <div>
        <h3>{t.word}</h3>
        <p>{t.says}</p>
      </div>
      {t.drawing && (
        <svg width={140} height={96} viewBox="0 0 140 96" role="img" aria-label={`A drawing: ${t.word}`}>
          {t.drawing}
        </svg>
      )}
    </div>
  );
}

/** A trade word in a sentence: pressed, it tells what it is where it stands. */
export function Word({ t, children }: { t: Trade; children: ReactNode }) {
  const [at, setAt] = useState<HTMLElement | null>(null);
  const id = useId();
  return (
    <>
      <button
        type="button"
        className={css.tradeword}
        aria-expanded={!!at}
        aria-controls={at ? id : undefined}
        title={t.says}
        onClick={(e) => setAt(e.currentTarget)}
      >
        {children}
      </button>
      <Popover
        id={id}
        open={!!at}
        anchorEl={at}
        onClose={() => setAt(null)}
        anchorOrigin={{ vertical: 'bottom', horizontal: 'left' }}
        slotProps={{
          paper: { role: 'dialog', 'aria-label': t.word, className: 'wordpaper', style: { maxWidth: 420 } },
        }}
        transitionDuration={0}
      >
        <WordCard t={t} />
      </Popover>
    </>
  );
}

const pattern = new RegExp(
  `(?<![\\p{L}-])(${spellings.map(([w]) => w.replace(/[.*+?^${}()|[\]\\]/g, '\\$&')).join('|')})(?![\\p{L}-])`,
  'giu',
);
const byName = new Map(spellings.map(([w, t]) => [w.toLowerCase(), t]));

/** A sentence whose trade words can be pressed, each the first time it stands there. */
export function Told({ children }: { children: string }) {
  const parts = useMemo(() => {
    const seen = new Set<string>();
    const out: (string | { word: string; t: Trade })[] = [];
    let from = 0;
    for (const m of children.matchAll(pattern)) {
      const t = byName.get(m[0].toLowerCase());
      if (!t || seen.has(t.word)) continue;
      seen.add(t.word);
      out.push(children.slice(from, m.index), { word: m[0], t });
      from = m.index + m[0].length;
    }
    out.push(children.slice(from));
    return out;
  }, [children]);
  return (
    <>
      {parts.map((p, i) =>
        typeof p === 'string' ? (
          p
        ) : (
          <Word key={i} t={p.t}>
            {p.word}
          </Word>
        ),
      )}
    </>
  );
}
