import Dialog from '@mui/material/Dialog';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import Menu from '@mui/material/Menu';
import MenuItem from '@mui/material/MenuItem';
import { useMemo, useState, type ReactNode } from 'react';
import { NavLink, useNavigate } from 'react-router';
import { addDays, long, plain } from './day';
import { useKeys } from './keys';
import { useHere } from './orchard';
import { useOrchards, useSaveOrchard } from './queries';
import { SeasonRail } from './SeasonRail';
import { useShown } from './shown';
import { Trouble } from './Trouble';
import { StakeLabel } from '../drawing/StakeLabel';

const words = [
  { path: 'yard', name: 'Yard' },
  { path: 'trees', name: 'Trees' },
  { path: 'year', name: 'Year' },
  { path: 'thinning', name: 'Thinning' },
];

/** On a phone the fruit is counted; there the word says so. */
const footName = (name: string) => (name === 'Thinning' ? 'Count' : name);

/** The frame of every screen: header words, the rail, the foot words on a phone. */
export function Frame({ children }: { children: ReactNode }) {
  const { orchard, plan, planError } = useHere();
  const { day, today, setDay } = useShown();
  const go = useNavigate();
  const [help, setHelp] = useState(false);
  const [find, setFind] = useState(false);
  const search = day === today ? '' : `?day=${day}`;
  const keys = useMemo(() => {
    const k: Record<string, () => void> = {
      t: () => setDay(today),
      ',': () => setDay(addDays(day, -7)),
      '.': () => setDay(addDays(day, 7)),
      '?': () => setHelp(true),
      '/': () => setFind(true),
    };
    words.forEach((w, i) => {
      k[String(i + 1)] = () => void go(`/${orchard.slug}/${w.path}${search}`);
    });
    return k;
  }, [day, go, orchard.slug, search, setDay, today]);
  useKeys(keys);
  const link = (w: { path: string; name: string }) => ({ pathname: `/${orchard.slug}/${w.path}`, search });

  return (
    <div className="app">
      <header className="header">
        <NavLink className="wordmark" to={link({ path: 'yard', name: '' })}>
          <svg width={26} height={32} viewBox="0 0 26 32" aria-hidden="true">
            <path
              d="M11 31V14M11 22c0-5-7-4-7-10M11 17c0-6 8-5 8-13"
              fill="none"
              stroke="var(--wood-two)"
              strokeWidth={3}
              strokeLinecap="round"
            />
            <path d="M1 10h24" stroke="var(--leaf)" strokeWidth={2.4} strokeDasharray="4 3" />
          </svg>
          <span>Vertumna</span>
        </NavLink>
        <Switcher />
        <nav className="words" aria-label="Screens">
          {words.map((w, i) => (
            <NavLink key={w.path} to={link(w)}>
              <small aria-hidden="true">{i + 1}</small>
              {w.name}
            </NavLink>
          ))}
        </nav>
        <span className="spacer" />
        {day && (
          <button type="button" className="plain hide" onClick={() => setDay(today)} title="Back to today (t)">
            <b>{long(day)}</b>
            {day !== today && <span className="q sm">back to today</span>}
          </button>
        )}
        {day !== today && (
          <button type="button" className="plain only-phone" onClick={() => setDay(today)}>
            Today
          </button>
        )}
        <UnitsButton />
        <NavLink className="plain" to={link({ path: 'setup', name: '' })}>
          Settings
        </NavLink>
      </header>
      {plan ? <SeasonRail plan={plan} /> : <div />}
      <main>
        {plan && planError ? (
          <div style={{ padding: '8px 20px 0' }}>
            <Trouble error={planError} holds={`The screen shows the plan of ${plain(plan.day)}.`} />
          </div>
        ) : null}
        {children}
      </main>
      <nav className="foot" aria-label="Screens">
        {words.map((w) => (
          <NavLink key={w.path} to={link(w)}>
            {footName(w.name)}
          </NavLink>
        ))}
      </nav>
      <Keys open={help} onClose={() => setHelp(false)} />
      <Finder open={find} onClose={() => setFind(false)} />
    </div>
  );
}

function UnitsButton() {
  const { orchard, units } = useHere();
  const save = useSaveOrchard(orchard.slug);
  const next = units === 'metric' ? 'us' : 'metric';
  return (
    <button
      type="button"
      className="plain hide"
      onClick={() => save.mutate({ ...orchard, units: next })}
      title="Change the units"
      disabled={save.isPending}
    >
      {units === 'metric' ? 'm, cm, kg' : 'ft, in, lb'}
    </button>
  );
}

/** The orchard's name is the switcher. */
function Switcher() {
  const { orchard } = useHere();
  const all = useOrchards();
  const go = useNavigate();
  const [at, setAt] = useState<HTMLElement | null>(null);
  const open = (path: string) => {
    setAt(null);
    void go(path);
  };
  return (
    <>
      <button
        type="button"
        className="plain"
        aria-haspopup="menu"
        aria-expanded={!!at}
        onClick={(e) => setAt(e.currentTarget)}
        style={{ minWidth: 0 }}
      >
        <span style={{ overflow: 'hidden', textOverflow: 'ellipsis', whiteSpace: 'nowrap', maxWidth: 160 }}>
          {orchard.name}
        </span>
        <svg width={10} height={6} aria-hidden="true">
          <path d="M1 1l4 4 4-4" fill="none" stroke="currentColor" strokeWidth={1.4} />
        </svg>
      </button>
      <Menu anchorEl={at} open={!!at} onClose={() => setAt(null)}>
        {(all.data ?? []).map((o) => (
          <MenuItem key={o.slug} selected={o.slug === orchard.slug} onClick={() => open(`/${o.slug}/yard`)}>
            {o.name}
          </MenuItem>
        ))}
        <MenuItem divider sx={{ p: 0, minHeight: 0 }} disabled aria-hidden="true" />
        <MenuItem onClick={() => open('/new')}>A new orchard</MenuItem>
      </Menu>
    </>
  );
}

function Keys({ open, onClose }: { open: boolean; onClose: () => void }) {
  const rows = [
    ['1 2 3 4', 'Yard, Trees, Year, Thinning'],
    ['t', 'back to today'],
    [', .', 'a week back, a week on'],
    ['arrows', 'on the rail: a day'],
    ['Page keys', 'on the rail: a month'],
    ['/', 'find a tree'],
    ['[ ]', 'on the bench: walk round by 15 degrees'],
    ['j k', 'on the bench: next and previous finding'],
    ['b', 'on the bench: the bud strip of the limb in hand'],
    ['u', 'on the bench: take back the last change'],
    ['space', 'on the counting pad: left one'],
    ['1 2 3', 'on the counting pad: took one, two, three'],
    ['u j', 'on the counting pad: undo, next part'],
    ['?', 'these keys'],
  ];
  return (
    <Dialog open={open} onClose={onClose}>
      <DialogTitle>Keys</DialogTitle>
      <DialogContent>
        <table className="list">
          <tbody>
            {rows.map(([k, what]) => (
              <tr key={k}>
                <th scope="row">{k}</th>
                <td>{what}</td>
              </tr>
            ))}
          </tbody>
        </table>
        <p className="sm q" style={{ marginTop: 12 }}>
          Settings turns single keys off.
        </p>
      </DialogContent>
    </Dialog>
  );
}

function Finder({ open, onClose }: { open: boolean; onClose: () => void }) {
  const { orchard, plan } = useHere();
  const go = useNavigate();
  const [text, setText] = useState('');
  const low = text.toLowerCase();
  const found = (plan?.trees ?? [])
    .filter((t) => `${t.code} ${t.kind_name} ${t.name ?? ''}`.toLowerCase().includes(low))
    .slice(0, 8);
  const open1 = (id: string) => {
    onClose();
    setText('');
    void go(`/${orchard.slug}/yard?tree=${encodeURIComponent(id)}`);
  };
  return (
    <Dialog open={open} onClose={onClose} fullWidth maxWidth="xs">
      <DialogTitle>Find a tree</DialogTitle>
      <DialogContent>
        <input
          // eslint-disable-next-line jsx-a11y/no-autofocus -- the person asked for this field with a key
          autoFocus
          aria-label="Label, kind or name"
          value={text}
          onChange={(e) => setText(e.target.value)}
          onKeyDown={(e) => {
            if (e.key === 'Enter' && found[0]) open1(found[0].id);
          }}
          style={{
            width: '100%',
            font: 'inherit',
            padding: 8,
            background: 'var(--sheet)',
            color: 'inherit',
            border: '1px solid var(--rule-strong)',
            borderRadius: 4,
          }}
        />
        {found.map((t) => (
          <button key={t.id} type="button" className="item" onClick={() => open1(t.id)}>
            <StakeLabel code={t.code} />
            <span>
              {t.kind_name} {t.name ?? ''}
            </span>
          </button>
        ))}
      </DialogContent>
    </Dialog>
  );
}
