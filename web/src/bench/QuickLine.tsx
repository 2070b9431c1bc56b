import Button from '@mui/material/Button';
import { useDeferredValue, useEffect, useRef, useState } from 'react';
import { Field } from '../shared/Field';
import { useHere } from '../shared/orchard';
import { Trouble } from '../shared/Trouble';
import { useWhenReady } from '../shared/ready';
import { say } from '../shared/units';
import { compass } from '../drawing/wood';
import { useQuickLine, type Edit, type Quick } from './queries';
import css from './bench.module.css';

interface Props {
  which: { slug: string; id: string; day: string };
  revision: number;
  selected: string;
  /** What a limb drawn by hand comes to; empty: nothing was drawn. */
  draft?: string;
  busy: boolean;
  onEdit: (edits: Edit[], written: () => void) => void;
}

const names: Record<string, string> = {
  limb: 'limb',
  parent: 'on',
  attach_cm: 'from',
  azimuth_deg: 'to the',
  angle_base_deg: 'angle',
  angle_tip_deg: 'at the tip',
  length_cm: 'long',
  diameter_mm: 'thick',
  years: 'seasons',
  count: 'shoots',
  stretch: 'along',
  mark: 'seen',
  sprout: 'water sprout',
  sucker: 'sucker',
  tip: 'end',
  gone: 'take it off',
};

/** An edit that adds a limb, with its numbers kept as seen by eye. */
function asEstimated(e: Edit): Edit {
  if (e.op !== 'add' || !e.limb) return e;
  const { sources: _, ...limb } = e.limb;
  return { ...e, by: 'estimated', limb: { ...limb, source: 'estimated' } };
}

/** A limb in one line, typed or spoken to the phone's keyboard; what cannot be read is shown at its word. */
export function QuickLine({ which, revision, selected, draft = '', busy, onEdit }: Props) {
  const { units } = useHere();
  const [line, setLine] = useState(draft);
  const field = useRef<HTMLTextAreaElement>(null);
  useEffect(() => {
    if (!draft) return;
    field.current?.focus(); // what was drawn is read over, and its thickness said
    field.current?.setSelectionRange(draft.length, draft.length);
  }, [draft]);
  const asked = useDeferredValue(line);
  const q = useQuickLine(which, asked, selected, revision);
  const said = line.trim() === '' || asked !== line || q.isPlaceholderData ? undefined : q.data; // never that of another line
  const ready = !!said && said.edits.length > 0 && said.faults.length === 0;
  const write = useWhenReady(line, said !== undefined, () => {
    if (!said || !ready) return;
    const { edits } = said;
    const byEye = draft === '' ? edits : edits.map(asEstimated);
    onEdit(byEye, () => setLine('')); // what could not be written stays typed
  });
  const example =
    units === 'metric'
      ? 'second scaffold, from 60 cm, to the east, 50 degrees, 120 long, 28 thick, three years'
      : 'second scaffold, from 24, to the east, 50 degrees, 47 long, 1.1 thick, three years';
  return (
    <div className={css.quick}>
      <Field
        label="Quick line"
        fullWidth
        multiline
        size="small"
        value={line}
        inputRef={field}
        placeholder={example}
        onChange={(e) => setLine(e.target.value.replace(/\n/g, ' '))}
        onKeyDown={(e) => {
          if (e.key === 'Enter') {
            e.preventDefault();
            write();
          }
        }}
        slotProps={{ htmlInput: { maxLength: 500, 'aria-describedby': 'quick-said', autoCapitalize: 'off' } }}
      />
      <div id="quick-said" role="status" className="sm">
        {line.trim() !== '' && !said ? (
          <span className="q">Reading it.</span>
        ) : said ? (
          <>
            <Said line={line} said={said} />
            {draft !== '' && (
              <p className="q">Drawn by eye, and kept as estimated. Say its thickness too, where you know it.</p>
            )}
          </>
        ) : (
          <span className="q">
            Say it in any order, as: {selected ? `28 thick (on ${selected}), or: ` : ''}
            {example}; or: the north limb is {units === 'metric' ? '90 cm' : '36 in'}; remove S2.3; eight shoots on the
            outer half of S1, {units === 'metric' ? '60 cm' : '24 in'}, this year.
          </span>
        )}
      </div>
      <Trouble error={q.error} />
      <div className="acts">
        <Button variant="outlined" size="small" disabled={!ready || busy} onClick={write}>
          Write it on the map
        </Button>
      </div>
    </div>
  );
}

function Said({ line, said }: { line: string; said: Quick }) {
  const { units } = useHere();
  const bytes = new TextEncoder().encode(line);
  const cut = (from: number, to: number) => new TextDecoder().decode(bytes.slice(from, to));
  return (
    <>
      <span className={css.reads}>
        {said.reads.map((r) => (
          <span key={`${r.field}${String(r.start)}`} title={cut(r.start, r.end)}>
            {names[r.field] ?? r.field} <b>{valueOf(r, units)}</b>
          </span>
        ))}
      </span>
      {said.faults.map((f) => (
        <p key={`${String(f.start)}${f.expected}`} className="trouble" role="alert">
          {f.end > f.start ? (
            <>
              {cut(0, f.start)}
              <mark>{cut(f.start, f.end)}</mark>
              {cut(f.end, bytes.length)}
              <br />
              {f.expected.endsWith('expected') ? f.expected : `${f.expected} expected here`}.
            </>
          ) : (
            <>The line stops here: {f.expected} expected.</>
          )}
        </p>
      ))}
    </>
  );
}

function valueOf(r: Quick['reads'][number], units: 'metric' | 'us'): string {
  if (r.text) return r.text;
  if (r.field === 'azimuth_deg') return compass(r.value);
  if (r.field.endsWith('_deg')) return `${String(r.value)}°`;
  if (r.field.endsWith('_cm')) return say(r.value, 'cm', units);
  if (r.field.endsWith('_mm')) return say(r.value, 'mm', units);
  return ['sprout', 'sucker', 'gone'].includes(r.field) ? 'yes' : String(Math.round(r.value * 100) / 100);
}
