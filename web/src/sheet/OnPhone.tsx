import { useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { Link } from 'react-router';
import { moment } from '../outbox/network';
import { canPack, pack, packs, unpack } from '../outbox/pack';
import { plain, type Day } from '../shared/day';
import { Trouble } from '../shared/Trouble';
import { count } from '../shared/units';
import css from './sheet.module.css';

const kb = 1024;

/** Which days lie on this phone, and putting this one there. */
export function OnPhone({ slug, day }: { slug: string; day: Day }) {
  const client = useQueryClient();
  const [list, setList] = useState(packs);
  const [going, setGoing] = useState('');
  const [trouble, setTrouble] = useState<unknown>(null);
  const put = () => {
    setTrouble(null);
    setGoing('Beginning.');
    pack(client, slug, day, (done, of) => setGoing(`${String(done)} of ${count(of, 'tree')}.`))
      .then(() => setList(packs()), setTrouble)
      .finally(() => setGoing(''));
  };
  const here = list.filter((p) => p.slug === slug);
  return (
    <section aria-label="On this phone" className={`onphone ${css.noprint}`}>
      <h2>On this phone</h2>
      {!canPack() ? (
        <p className="sm q">
          This browser keeps nothing for the yard without a network
          {window.isSecureContext ? ' yet: load the page once more' : ': it needs https'}. Paper always works.
        </p>
      ) : (
        <p>
          <button type="button" className="bordered" disabled={going !== ''} onClick={put}>
            {here.some((p) => p.day === day) ? 'Put it there anew' : 'Put this day on the phone'}
          </button>{' '}
          <span role="status">{going}</span>
        </p>
      )}
      <Trouble error={trouble} holds={trouble ? 'What lay on the phone before still lies there.' : ''} />
      {here.length > 0 && (
        <ul className="bare sm">
          {here.map((p) => (
            <li key={p.day}>
              <Link to={`/${p.slug}/sheet?day=${p.day}`}>{plain(p.day)}</Link>: {count(p.trees, 'tree')},{' '}
              {Math.max(1, Math.round(p.bytes / kb))} kB, put here {moment(p.at)}{' '}
              <button type="button" className="plain" onClick={() => void unpack(p).then(() => setList(packs()))}>
                Take it off
              </button>
            </li>
          ))}
        </ul>
      )}
    </section>
  );
}
