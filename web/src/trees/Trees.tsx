import { useState } from 'react';
import { Link, useNavigate } from 'react-router';
import type { TreeSummary } from '../shared/api';
import { between, plain } from '../shared/day';
import { useHere } from '../shared/orchard';
import { useEntries, useTrees } from '../shared/queries';
import { clip, count, other, percent, say } from '../shared/units';
import { extentOf } from '../drawing/YardPlan';
import { lookOf, StakeLabel } from '../drawing/StakeLabel';

type Key = 'code' | 'kind' | 'form' | 'aim' | 'height' | 'account' | 'next' | 'measured';

/** All trees as a table, with what they ask of ground and hours. */
export default function Trees() {
  const { orchard, plan, units, meta } = useHere();
  const entries = useEntries(orchard.slug);
  const docs = useTrees(orchard.slug);
  const [sort, setSort] = useState<{ key: Key; down: boolean }>({ key: 'code', down: false });
  const go = useNavigate();
  if (!plan) return <p className="page q">Working out the year.</p>;
  const measured = new Map<string, string>();
  for (const e of entries.data ?? [])
    if (e.tree_id && (e.height_m ?? e.trunk_mm ?? e.spread_m)) measured.set(e.tree_id, e.date);
  const nextOf = (t: TreeSummary) => t.bars.find((b) => b.id === t.next);
  const value = (t: TreeSummary): string | number => {
    switch (sort.key) {
      case 'kind':
        return t.kind_name;
      case 'form':
        return t.form;
      case 'aim':
        return t.aim;
      case 'height':
        return t.height_m - t.reach_m;
      case 'account':
        return t.account.removed;
      case 'next':
        return nextOf(t)?.opens ?? '9999';
      case 'measured':
        return measured.get(t.id) ?? '';
      default:
        return t.code;
    }
  };
  const rows = [...plan.trees].sort((a, b) => {
    const x = value(a),
      y = value(b);
    const c =
      typeof x === 'number' && typeof y === 'number'
        ? x - y
        : String(x).localeCompare(String(y), undefined, { numeric: true });
    return sort.down ? -c : c;
  });
  const head = (key: Key, label: string, wide = false) => (
    <th
      scope="col"
      className={wide ? 'wide' : undefined}
      aria-sort={sort.key === key ? (sort.down ? 'descending' : 'ascending') : undefined}
    >
      <button
        type="button"
        className="plain"
        style={{ fontWeight: 700, padding: 0 }}
        onClick={() => setSort({ key, down: sort.key === key && !sort.down })}
      >
        {label}
        {sort.key === key ? (sort.down ? ' ↓' : ' ↑') : ''}
      </button>
    </th>
  );
  const e = extentOf(orchard, plan.trees);
  const ground = (e.x1 - e.x0) * (e.y1 - e.y0);
  const hours = plan.trees.reduce((sum, t) => sum + (meta.kinds.find((k) => k.slug === t.kind)?.hours_a_year ?? 0), 0);
  const gone = (docs.data ?? []).filter((t) => t.gone);
  return (
    <div className="page" style={{ overflowX: 'auto' }}>
      <h1>Trees</h1>
      <p className="sm">
        <Link to={`/${orchard.slug}/devices`}>What is still on: ties, spreaders, weights</Link>
      </p>
      {rows.length === 0 ? (
        <p>
          No trees yet. <Link to={`/${orchard.slug}/yard`}>Pace out the first one.</Link>
        </p>
      ) : (
        <table className="list" style={{ marginTop: 12 }}>
          <thead>
            <tr>
              {head('code', 'Label')}
              {head('kind', 'Kind')}
              {head('form', 'Form', true)}
              {head('aim', 'Aim', true)}
              {head('height', 'Height against reach')}
              {head('account', 'Account', true)}
              {head('next', 'Next task')}
              {head('measured', 'Last measured', true)}
            </tr>
          </thead>
          <tbody>
            {rows.map((t) => {
              const next = nextOf(t);
              const over = t.height_m - t.reach_m;
              const on = measured.get(t.id);
              return (
                <tr
                  key={t.id}
                  onClick={() => void go(`/${orchard.slug}/trees/${encodeURIComponent(t.id)}`)}
                  style={{ cursor: 'pointer' }}
                >
                  <td>
                    <Link to={`/${orchard.slug}/trees/${encodeURIComponent(t.id)}`} aria-label={`Open ${t.code}`}>
                      <StakeLabel code={t.code} look={lookOf(next?.group)} />
                    </Link>
                  </td>
                  <td>
                    <b>{t.kind_name}</b>{' '}
                    <bdi className="q" title={t.name}>
                      {clip(t.name ?? '', 40)}
                    </bdi>
                  </td>
                  <td className="wide">{meta.forms.find((f) => f.slug === t.form)?.name}</td>
                  <td className="wide">{t.aim}</td>
                  <td title={t.height_m ? other(t.height_m, 'm', units) : ''}>
                    {t.height_m > 0 ? say(t.height_m, 'm', units) : 'not measured'}{' '}
                    {over > 0.05 && <span className="over">{say(over, 'm', units)} over</span>}
                  </td>
                  <td className="wide" title={t.account.says}>
                    {percent(t.account.removed)}
                    {t.account.exempt ? ', exempt' : ` of ${percent(t.account.limit)}`}
                  </td>
                  <td>
                    {next
                      ? `${next.title}, ${next.opens <= plan.day ? `until ${plain(next.closes)}` : `from ${plain(next.opens)}`}`
                      : 'none this year'}
                  </td>
                  <td className="wide">
                    {on ? `${plain(on)}, ${count(Math.round(between(on, plan.day) / 7), 'week')} ago` : 'never'}
                  </td>
                </tr>
              );
            })}
          </tbody>
          <tfoot>
            <tr>
              <td colSpan={8} className="q">
                {count(rows.length, 'tree')}, {say(ground / rows.length, 'm2', units)} of ground a tree, about {hours}{' '}
                hours a year
              </td>
            </tr>
          </tfoot>
        </table>
      )}
      {gone.length > 0 && (
        <p className="sm q" style={{ marginTop: 16 }}>
          No longer here:{' '}
          {gone.map((t) => `${t.code} ${t.name ?? t.kind} (${t.gone_why ?? 'gone'}, ${t.gone ?? ''})`).join('; ')}
        </p>
      )}
    </div>
  );
}
