import { forecastHead, madeHead } from '../../../bench/ageing'
import { digits, DRIFT, holds, named } from '@ref/changes/held'

/** The first day out of the band, as it is foretold of heads that age by laws of their own. */
const foretold = () =>
  named(
    'head',
    Array.from({ length: 30 }, (_, seed) => {
      const { from, to } = forecastHead(madeHead(seed))
      return `from day ${digits(from)} to ${digits(to)}`
    }),
  )

holds('drift', DRIFT, foretold)
