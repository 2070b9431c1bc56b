import Dialog from '@mui/material/Dialog';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import { useState, type ReactNode } from 'react';
import { useNavigate } from 'react-router';
import { plain } from '../shared/day';
import { useHere } from '../shared/orchard';
import { useDocket, useEntries } from '../shared/queries';
import { useShown } from '../shared/shown';
import { StakeLabel } from '../drawing/StakeLabel';
import { WordCard } from './Told';
import { trade } from './words';
import css from './help.module.css';

interface Hit {
  key: string;
  what: ReactNode;
  /** Where it leads; none: it is told here. */
  to?: string;
  told?: ReactNode;
}

/** Parts of Settings by the words a person may look for. */
const settings = [
  { id: 'Place', says: 'place climate frost normals weather height latitude' },
  { id: 'School', says: 'school limit choices winter summer' },
  { id: 'People', says: 'people reach fingertips hours tools helper' },
  { id: 'Plot', says: 'plot corners walls fences paths hedge power line shade' },
  { id: 'Calendar', says: 'calendar address subscribe ics' },
  { id: 'Data', says: 'data archive export import backup remove orchard keys' },
] as const;

const most = 6;

/** Finds trees, jobs, journal entries, words and settings. */
export function Finder({ open, onClose }: { open: boolean; onClose: () => void }) {
  return (
    <Dialog open={open} onClose={onClose} fullWidth maxWidth="xs">
      {open && <Search onClose={onClose} />}
    </Dialog>
  );
}

function Search({ onClose }: { onClose: () => void }) {
  const { orchard, plan } = useHere();
  const { settled } = useShown();
  const go = useNavigate();
  const [text, setText] = useState('');
  const docket = useDocket(orchard.slug, plan ? settled : '');
  const entries = useEntries(orchard.slug);
  const low = text.trim().toLowerCase();
  const has = (...xs: (string | undefined)[]) => xs.some((x) => x?.toLowerCase().includes(low));
  const base = `/${orchard.slug}`;
  const codeOf = new Map(plan?.trees.map((t) => [t.id, t.code]));
  const trees: Hit[] = (plan?.trees ?? [])
    .filter((t) => has(t.code, t.kind_name, t.name))
    .map((t) => ({
      key: t.id,
      to: `${base}/yard?tree=${encodeURIComponent(t.id)}`,
      what: (
        <>
          <StakeLabel code={t.code} />
          <span>
            {t.kind_name} {t.name ?? ''}
          </span>
        </>
      ),
    }));
  const d = docket.data;
  const jobs: Hit[] =
    low === ''
      ? []
      : (d ? [...d.now, ...d.closing, ...d.opening, ...d.wait, ...d.missed, ...d.anytime] : [])
          .filter((t) => has(t.title))
          .map((t) => ({
            key: t.id,
            to: t.tree_id ? `${base}/yard?tree=${encodeURIComponent(t.tree_id)}` : `${base}/yard`,
            what: (
              <>
                <StakeLabel code={t.code ?? ''} look="line" />
                <span>
                  {t.title}, {plain(t.opens)} to {plain(t.closes)}
                </span>
              </>
            ),
          }));
  const logged: Hit[] =
    low.length < 2
      ? []
      : (entries.data ?? [])
          .filter((e) => has(e.note, e.task, e.agent, e.reason, e.kind))
          .reverse()
          .map((e) => ({
            key: e.id,
            to: e.tree_id ? `${base}/yard?tree=${encodeURIComponent(e.tree_id)}` : `${base}/yard`,
            what: (
              <span>
                {plain(e.date)} {e.date.slice(0, 4)}: {codeOf.get(e.tree_id ?? '') ?? ''}{' '}
                {(e.task ?? e.kind).replaceAll('-', ' ')}
                {e.note || e.reason ? `, ${e.note || e.reason || ''}` : ''}
              </span>
            ),
          }));
  const words: Hit[] =
    low === ''
      ? []
      : trade
          .filter((t) => has(t.word, ...(t.also ?? [])))
          .map((t) => ({ key: t.word, what: null, told: <WordCard t={t} /> }));
  const parts: Hit[] =
    low === ''
      ? []
      : settings
          .filter((s) => has(s.id, s.says))
          .map((s) => ({ key: s.id, to: `${base}/setup#${s.id.toLowerCase()}`, what: <span>Settings: {s.id}</span> }));
  const groups = [
    ['Trees', trees],
    ['Jobs', jobs],
    ['Words', words],
    ['Journal', logged],
    ['Settings', parts],
  ] as const;
  const first = groups.flatMap(([, hits]) => hits).find((h) => h.to);
  const take = (to: string) => {
    onClose();
    void go(to);
  };
  return (
    <>
      <DialogTitle>Find</DialogTitle>
      <DialogContent>
        <input
          // oxlint-disable-next-line jsx-a11y/no-autofocus -- the person asked for this field
          autoFocus
          className={css.findfield}
          aria-label="A tree, a job, a word, a note"
          value={text}
          onChange={(e) => setText(e.target.value)}
          onKeyDown={(e) => {
            if (e.key === 'Enter' && first?.to) take(first.to);
          }}
        />
        <div role="status" className="sm q">
          {low !== '' && groups.every(([, hits]) => hits.length === 0)
            ? 'Nothing of that name: no tree, no job, no word, no note.'
            : ''}
        </div>
        {groups.map(([name, hits]) =>
          hits.length === 0 ? null : (
            <section key={name} aria-label={name}>
              <div className="grp">
                <h3>{name}</h3>
                {hits.length > most && <span className="sm q">{hits.length}</span>}
              </div>
              {hits.slice(0, most).map((h) =>
                h.to ? (
                  <button key={h.key} type="button" className="found" onClick={() => take(h.to ?? '')}>
                    {h.what}
                  </button>
                ) : (
                  <div key={h.key}>{h.told}</div>
                ),
              )}
            </section>
          ),
        )}
      </DialogContent>
    </>
  );
}
