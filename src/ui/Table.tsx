import { Sideways } from './Sideways'

interface Props {
  label: string
  heads: readonly string[]
  rows: ReadonlyArray<{ key: string; cells: readonly string[] }>
  className?: string
}

/** Rows of words and figures: the first cell names its row, thin rules between, and it scrolls by itself where it is too wide. */
export function Table({ label, heads, rows, className }: Props) {
  return (
    <Sideways label={label} className={className}>
      <table aria-label={label} className="mt-2 w-full text-left">
        <thead className="text-sm text-soft">
          <tr>
            {heads.map((head) => (
              <th key={head} scope="col" className="py-1 pr-4 font-normal">
                {head}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {rows.map(({ key, cells: [first, ...rest] }) => (
            <tr key={key} className="border-t border-line">
              <th scope="row" className="py-1.5 pr-4 font-bold whitespace-nowrap">
                {first}
              </th>
              {rest.map((cell, i) => (
                <td key={i} className="py-1.5 pr-4">
                  {cell}
                </td>
              ))}
            </tr>
          ))}
        </tbody>
      </table>
    </Sideways>
  )
}
