import { benchEvening } from './evening'
import { benchMeasuring, benchMeasuringTime } from './measuring'
benchMeasuringTime()
benchMeasuring()
if (process.argv[2]) benchEvening()
