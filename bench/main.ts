import { benchAdviceTime, benchEvening } from './evening'
import { benchMeasuring, benchMeasuringTime } from './measuring'
import { benchPages } from './pages'

benchMeasuringTime()
benchAdviceTime()
benchPages()
benchMeasuring()
benchEvening()
