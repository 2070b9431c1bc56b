type Head = string | readonly [says: string, className: string];

/** The head of a table: a word a column; with a class where its column has one. */
export function Heads({ of }: { of: readonly Head[] }) {
  return (
    <thead>
      <tr>
        {of.map((head) => {
          const [says, className] = typeof head === 'string' ? [head] : head;
          return (
            <th key={says} scope="col" className={className}>
              {says}
            </th>
          );
        })}
      </tr>
    </thead>
  );
}
