import { configure } from '@testing-library/react'

configure({
  // A second, as usual, is a judge of speed where a part is loaded, and here translated, when it is first shown.
  asyncUtilTimeout: 120_000,
  // What style sheets hide is the browser tests' to see: to ask it of every element took a third of the time here.
  defaultHidden: true,
})
