import type { SpectrumModel, WaveModel } from './heard.model'
import { fixed } from '@/text/shown'

interface WaveChartProps {
  model: WaveModel
  width: number
  height: number
  label: string
}

/** A tap's waveform, the stroke marked. */
export function WaveChart({ model, width, height, label }: WaveChartProps) {
  return (
    <svg width={width} height={height} role="img" aria-label={label} className="block">
      <line x1={0} x2={width} y1={model.middle} y2={model.middle} stroke="var(--line)" />
      <path d={model.path} fill="var(--soft)" />
      <line
        x1={model.strokeX}
        x2={model.strokeX}
        y1={4}
        y2={height - 16}
        stroke="var(--act)"
        strokeWidth={2}
      />
      {model.ticks.map(({ x, label: text }) => (
        <text key={x} x={x} y={height - 2} fontSize={12} fill="var(--soft)" textAnchor="middle">
          {text}
        </text>
      ))}
    </svg>
  )
}

interface SpectrumChartProps {
  model: SpectrumModel
  width: number
  height: number
  label: string
}

/** The spectrum of the tail: filled marks for the reading's tones, hollow ones for the others. */
export function SpectrumChart({ model, width, height, label }: SpectrumChartProps) {
  return (
    <svg width={width} height={height} role="img" aria-label={label} className="block">
      <line x1={0} x2={width} y1={model.bottom} y2={model.bottom} stroke="var(--line)" />
      {model.ticks.map(({ x, label: text }) => (
        <g key={x}>
          <line x1={x} x2={x} y1={34} y2={model.bottom} stroke="var(--line)" strokeDasharray="1 5" />
          <text x={x} y={model.bottom + 15} fontSize={12} fill="var(--soft)" textAnchor="middle">
            {text}
          </text>
        </g>
      ))}
      <path d={model.path} fill="none" stroke="var(--soft)" strokeWidth={1.5} />
      {model.tones.map(({ hz, x, y, chosen, label: labelled }) => (
        <g key={hz}>
          <line x1={x} x2={x} y1={y} y2={model.bottom} stroke={chosen ? 'var(--act)' : 'var(--line)'} />
          <circle
            cx={x}
            cy={y}
            r={chosen ? 6 : 5}
            fill={chosen ? 'var(--act)' : 'var(--tape)'}
            stroke={chosen ? 'var(--act)' : 'var(--soft)'}
            strokeWidth={2}
          />
          {labelled ? (
            <text
              x={x}
              y={Math.max(14, y - 12)}
              fontSize={chosen ? 16 : 13}
              fontWeight={chosen ? 800 : 400}
              textAnchor="middle"
              fill="var(--ink)"
            >
              {fixed(hz, 1)}
            </text>
          ) : null}
        </g>
      ))}
    </svg>
  )
}
