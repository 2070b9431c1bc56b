import Dialog from '@mui/material/Dialog';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import { WordCard } from './Told';
import { trade } from './words';
import css from './help.module.css';

const keys = [
  ['1 2 3 4', 'Yard, Trees, Year, Thinning'],
  ['t', 'back to today'],
  [', .', 'a week back, a week on'],
  ['arrows', 'on the rail: a day'],
  ['Page keys', 'on the rail: a month'],
  ['/', 'find a tree, a job, a word'],
  ['Esc', 'close the tree, back to the docket'],
  ['[ ]', 'on the bench: walk round by 15 degrees'],
  ['j k', 'on the bench: next and previous finding'],
  ['b', 'on the bench: the bud strip of the limb in hand'],
  ['u', 'on the bench: take back the last change'],
  ['space', 'on the counting pad: left one'],
  ['1 2 3', 'on the counting pad: took one, two, three'],
  ['u j', 'on the counting pad: undo, next part'],
  ['?', 'this help'],
] as const;

const ways = [
  [
    'What to do today',
    'Yard: the docket lists it, with why and until when. Press a line for all of its reasons and to log it.',
  ],
  [
    'Another day',
    'Drag the handle on the rail, or step by day, week and year below it on a small screen. Every screen shows that day.',
  ],
  [
    'Which cuts on a tree',
    'Press the tree, then To its slip. A tree needs a limb map first: the bench sketches one from a few numbers.',
  ],
  ['Why this limb', 'On the bench, press a limb in the drawing.'],
  [
    'Something was logged by mistake',
    'Undo stands at the foot for ten seconds; later, correct the entry in the tree’s journal.',
  ],
] as const;

/** Help: the ways through the program, its words, its keys. */
export function Help({ open, onClose }: { open: boolean; onClose: () => void }) {
  return (
    <Dialog open={open} onClose={onClose} maxWidth="sm" fullWidth>
      <DialogTitle>Help</DialogTitle>
      <DialogContent>
        <dl className={css['ways-help']}>
          {ways.map(([what, how]) => (
            <div key={what}>
              <dt>
                <b>{what}</b>
              </dt>
              <dd>{how}</dd>
            </div>
          ))}
        </dl>
        <details>
          <summary>Words of the trade, {trade.length}</summary>
          {trade.map((t) => (
            <WordCard key={t.word} t={t} />
          ))}
        </details>
        <details>
          <summary>Keys</summary>
          <table className="list">
            <tbody>
              {keys.map(([k, what]) => (
                <tr key={k + what}>
                  <th scope="row">{k}</th>
                  <td>{what}</td>
                </tr>
              ))}
            </tbody>
          </table>
          <p className="sm q" style={{ marginTop: 12 }}>
            Settings turns single keys off.
          </p>
        </details>
      </DialogContent>
    </Dialog>
  );
}
