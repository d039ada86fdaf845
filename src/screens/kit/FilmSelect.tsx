import { INPUT_CLASS } from '@/ui/Field'
import { FILMS } from './options'

interface Props {
  pliesMils: readonly number[]
  onChange: (pliesMils: number[]) => void
  onBlur?: () => void
}

/** A film by its plies; one that is none of the usual is kept as it is. */
export function FilmSelect({ pliesMils, onChange, onBlur }: Props) {
  const value = pliesMils.join('+')
  const known = FILMS.some((film) => film.value === value)
  return (
    <select
      value={value}
      onChange={(event) => onChange(event.target.value.split('+').map(Number))}
      onBlur={onBlur}
      className={INPUT_CLASS}
    >
      {known ? null : <option value={value}>{value.replace('+', ' + ')} mil</option>}
      {FILMS.map((film) => (
        <option key={film.value} value={film.value}>
          {film.label}
        </option>
      ))}
    </select>
  )
}
