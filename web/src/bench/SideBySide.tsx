import type { ReactNode } from 'react';
import css from './bench.module.css';

interface Props<T> {
  caption: ReactNode;
  sides: readonly T[];
  picture: (side: T) => ReactNode;
  head: (side: T) => ReactNode;
  /** What is told of each, by its name. */
  rows: readonly (readonly [string, (side: T) => ReactNode])[];
  /** Rows of words below those of numbers. */
  words?: Props<T>['rows'];
}

/** Ways that a tree may go, side by side: a picture of each, and the same rows under all. */
export function SideBySide<T>({ caption, sides, picture, head, rows, words = [] }: Props<T>) {
  const told = (list: Props<T>['rows'], look: string) =>
    list.map(([name, value]) => (
      <tr key={name}>
        <th scope="row">{name}</th>
        {sides.map((s, i) => (
          <td key={i} className={look}>
            {value(s)}
          </td>
        ))}
      </tr>
    ));
  return (
    <table>
      <caption className="sm q">{caption}</caption>
      <thead>
        <tr>
          <td />
          {sides.map((s, i) => (
            <td key={i} className={css.pic}>
              {picture(s)}
            </td>
          ))}
        </tr>
        <tr>
          <td />
          {sides.map((s, i) => (
            <th key={i} scope="col">
              {head(s)}
            </th>
          ))}
        </tr>
      </thead>
      <tbody>
        {told(rows, 'num')}
        {told(words, 'sm')}
      </tbody>
    </table>
  );
}
