import { Heads } from '../shared/Heads';
import { useHere } from '../shared/orchard';
import { other, say } from '../shared/units';
import { useShoot } from './queries';

interface Props {
  which: { slug: string; id: string; day: string };
  limb: string;
  revision: number;
}

/** How a limb stood on the maps of its years, and whether it sinks or struggles. */
export function LimbCourse({ which, limb, revision }: Props) {
  const { units } = useHere();
  const shoot = useShoot(which, limb, revision).data;
  if (!shoot || shoot.limb !== limb || shoot.years.length < 2) return null;
  return (
    <>
      {shoot.course && (
        <p className="sm over" role="status">
          {shoot.course}
        </p>
      )}
      <details className="sm">
        <summary>Over the years</summary>
        <table className="list narrow">
          <Heads of={['Mapped', ['Its end', 'n'], ['Thick', 'n'], ['Grew', 'n']]} />
          <tbody>
            {shoot.years.map((y) => (
              <tr key={y.date}>
                <td>{y.date.slice(0, 7)}</td>
                <td className="n">{y.tip_deg}°</td>
                <td className="n" title={other(y.d_mm, 'mm', units)}>
                  {say(y.d_mm, 'mm', units)}
                </td>
                <td className="n" title={other(y.ring_cm, 'cm', units)}>
                  {say(y.ring_cm, 'cm', units)}
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      </details>
    </>
  );
}
