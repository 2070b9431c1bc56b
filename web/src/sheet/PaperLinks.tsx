import type { Day } from '../shared/day';
import css from './sheet.module.css';

/** The same as a file to print, in both sizes of paper. */
export function PaperLinks({ to, day, more = '' }: { to: string; day: Day; more?: string }) {
  const link = (size: 'a4' | 'letter') => `${to}?day=${day}&size=${size}${more}`;
  return (
    <span className={`${css.noprint} ${css.paperlinks}`}>
      PDF <a href={link('a4')}>A4</a> <a href={link('letter')}>Letter</a>
    </span>
  );
}
