interface Props {
  name: string;
  value: string;
  title?: string | undefined;
  over?: boolean | undefined;
  className?: string;
}

/** A line of a list of facts: its name, and what it is; in the colour of warnings where it is over a limit. */
export function Fact({ name, value, title, over, className = '' }: Props) {
  return (
    <div>
      <dt>{name}</dt>
      <dd className={`${over ? 'over ' : ''}${className}`.trim() || undefined} title={title}>
        {value}
      </dd>
    </div>
  );
}
