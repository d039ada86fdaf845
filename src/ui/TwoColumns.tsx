/** Two states side by side: a row a thing, its name first. */
export function TwoColumns({
  heads,
  rows,
  className,
}: {
  heads: readonly [string, string]
  rows: ReadonlyArray<readonly [label: string, first: string, second: string]>
  className?: string
}) {
  return (
    <table className={`w-full text-left ${className ?? ''}`}>
      <thead className="text-sm text-soft">
        <tr>
          <th scope="col" className="font-normal">
            <span className="sr-only">what</span>
          </th>
          {heads.map((head) => (
            <th key={head} scope="col" className="text-right font-normal">
              {head}
            </th>
          ))}
        </tr>
      </thead>
      <tbody>
        {rows.map(([label, first, second]) => (
          <tr key={label} className="border-t border-line">
            <th scope="row" className="py-1 pr-2 font-normal whitespace-nowrap text-soft">
              {label}
            </th>
            <td className="pl-3 text-right">{first}</td>
            <td className="pl-3 text-right font-bold">{second}</td>
          </tr>
        ))}
      </tbody>
    </table>
  )
}
