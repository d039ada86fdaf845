import { configure } from '@testing-library/react'

// A second, as usual, is a judge of speed where a part is loaded, and here translated, when it is first shown.
configure({ asyncUtilTimeout: 120_000 })
