import Menu from '@mui/material/Menu';
import MenuItem from '@mui/material/MenuItem';
import { useMemo, useState, type ReactNode } from 'react';
import { NavLink, useNavigate } from 'react-router';
import { addDays, long, plain } from './day';
import { useKeys } from './keys';
import { useHere } from './orchard';
import { useOrchards, useSaveOrchard } from './queries';
import { SeasonRail } from './SeasonRail';
import { useHandle, useShown } from './shown';
import { Trouble } from './Trouble';
import { Finder } from '../help/Finder';
import { Help } from '../help/Help';
import { OutboxWords } from '../outbox/Outbox';
import { words } from '../rooms';
import css from './shared.module.css';

/** The frame of every screen: header words, the rail, the foot words on a phone. */
export function Frame({ children }: { children: ReactNode }) {
  const { orchard, plan, planError } = useHere();
  const { today, setDay } = useShown();
  const day = useHandle();
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
      <a className={css.skip} href="#screen">
        To the screen
      </a>
      <header className="header">
        <NavLink className="wordmark" aria-label="Vertumna: the yard" to={link({ path: 'yard', name: '' })}>
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
          <span className="hide">Vertumna</span>
        </NavLink>
        <Switcher />
        <nav className={css.words} aria-label="Screens">
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
        <button type="button" className="plain" onClick={() => setFind(true)} title="Find a tree, a job, a word (/)">
          Find
        </button>
        <button type="button" className="plain" onClick={() => setHelp(true)} title="Help, words and keys (?)">
          Help
        </button>
        <UnitsButton />
        <NavLink className="plain" to={link({ path: 'setup', name: '' })}>
          Settings
        </NavLink>
      </header>
      {plan ? <SeasonRail plan={plan} /> : <div />}
      <main id="screen" tabIndex={-1}>
        <OutboxWords />
        {plan && planError ? (
          <div style={{ padding: '8px 20px 0' }}>
            <Trouble error={planError} holds={`The screen shows the plan of ${plain(plan.day)}.`} />
          </div>
        ) : null}
        {plan && plan.day !== day && !planError && (
          <p className={`late ${css.old}`} role="status">
            The plan of {plain(plan.day)}; {plain(day)} is being worked out.
          </p>
        )}
        {children}
      </main>
      <nav className={css.foot} aria-label="Screens">
        {words.map((w) => (
          <NavLink key={w.path} to={link(w)}>
            {w.foot ?? w.name}
          </NavLink>
        ))}
      </nav>
      <Help open={help} onClose={() => setHelp(false)} />
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
