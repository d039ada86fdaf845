import { benchAgeing } from './ageing'
import { benchByChance } from './byChance'
import { benchAdviceTime, benchEvening, benchRods } from './evening'
import { benchFaults } from './faults'
import { benchHandsFree } from './handsFree'
import { benchHearing } from './hearing'
import { benchLight } from './light'
import { benchListeners } from './listeners'
import { benchLongLog } from './longLog'
import { benchMeasuring, benchMeasuringTime } from './measuring'
import { benchPages } from './pages'
import { benchPairs } from './pairs'
import { benchQuickCheck } from './quickCheck'
import { benchSpacing } from './spacing'

/** `make check` asks for what is quick: the ratios of times, and the weight of pages. */
const SHORT = process.argv.includes('--short')

benchMeasuringTime()
benchAdviceTime()
benchPages()
benchSpacing()
if (!SHORT) {
  benchAgeing()
  benchQuickCheck()
  benchListeners()
  benchHearing()
  benchMeasuring()
  benchFaults()
  benchPairs()
  benchEvening()
  benchRods()
  benchByChance()
  void benchHandsFree().then(benchLongLog).then(benchLight)
}
