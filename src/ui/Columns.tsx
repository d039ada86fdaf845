interface Props {
  heads: readonly string[]
  rows: ReadonlyArray<readonly [label: string, ...cells: string[]]>
  className?: string
}

/** States side by side: a row a thing, its name first, then a cell for each; the last stands out. */
export function Columns({ heads, rows, className }: Props) {
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
        {rows.map(([label, ...cells]) => (
          <tr key={label} className="border-t border-line">
            <th scope="row" className="py-1 pr-2 font-normal whitespace-nowrap text-soft">
              {label}
            </th>
            {cells.map((cell, i) => (
              <td key={i} className={`pl-3 text-right ${i === cells.length - 1 ? 'font-bold' : ''}`}>
                {cell}
              </td>
            ))}
          </tr>
        ))}
      </tbody>
    </table>
  )
}
