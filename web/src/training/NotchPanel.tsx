import { compass } from '../drawing/wood';
import { useHere } from '../shared/orchard';
import { say } from '../shared/units';
import type { Notch } from './queries';

/** The stem with its buds, and those that are woken with a notch above. */
export function NotchPanel({ notch }: { notch: Notch }) {
  const { units } = useHere();
  const low = 35;
  const high = 100;
  const y = (cm: number) => 250 - ((cm - low) / (high - low)) * 230;
  const buds = notch.buds.filter((b) => b.height_cm >= low && b.height_cm <= high);
  return (
    <section aria-label="Buds to wake">
      <h2>Buds to wake</h2>
      <svg
        viewBox="0 0 300 262"
        className="notchstem"
        role="img"
        aria-label={`Notch above ${notch.marks.map((m) => `bud ${m.bud}`).join(', ')}`}
      >
        <path d="M70 262V6" stroke="var(--wood-last)" strokeWidth={13} />
        {[40, 50, 60, 70, 80, 90].map((cm) => (
          <g key={cm}>
            <path d={`M30 ${String(y(cm))}h8`} stroke="var(--rule-strong)" />
            <text x={26} y={y(cm) + 4} fontSize={12} textAnchor="end">
              {cm}
            </text>
          </g>
        ))}
        {buds.map((b, i) => {
          const right = i % 2 === 0;
          const mark = notch.marks.find((m) => m.bud === b.id);
          return (
            <g key={b.id}>
              <ellipse
                cx={right ? 79 : 61}
                cy={y(b.height_cm)}
                rx={6}
                ry={3.6}
                fill={mark ? 'var(--leaf)' : 'var(--wood-two)'}
                transform={`rotate(${right ? '-40' : '40'} ${right ? '79' : '61'} ${String(y(b.height_cm))})`}
              />
              {mark && (
                <>
                  <path
                    d={`M60 ${String(y(mark.at_cm) - 5)}q10 -6 20 0`}
                    fill="none"
                    stroke="var(--ink)"
                    strokeWidth={3}
                  />
                  <text x={104} y={y(b.height_cm) + 4} fontSize={13} fontWeight={700}>
                    {b.id} {compass(b.azimuth_deg)}, {say(mark.at_cm, 'cm', units)}
                  </text>
                </>
              )}
            </g>
          );
        })}
      </svg>
      <ul className="bare sm">
        {notch.says.map((s) => (
          <li key={s}>{s}</li>
        ))}
      </ul>
    </section>
  );
}
