/** The head of a table of shoots: which, how far up, the measure told of them, and what a person says of each. */
export function ShootHead({ measure }: { measure: string }) {
  return (
    <thead>
      <tr>
        <th scope="col">Shoot</th>
        <th scope="col" className="n">
          up
        </th>
        <th scope="col" className="n">
          {measure}
        </th>
        <th scope="col">Your word</th>
      </tr>
    </thead>
  );
}
