import '@fontsource-variable/source-sans-3/wght.css'
import '@fontsource-variable/source-sans-3/wght-italic.css'
import '@fontsource/zilla-slab/latin-500.css'
import '@fontsource/zilla-slab/latin-600.css'
import '@fontsource/zilla-slab/latin-500-italic.css'
import '@mantine/core/styles.css'
import './house.css'
// before any place's own sheet: that one may say otherwise
import '#ui/hand.module.css'
import { StrictMode } from 'react'
import { createRoot } from 'react-dom/client'
import { App } from './app.tsx'
import { keepOffline } from './offline.tsx'

keepOffline()
createRoot(document.getElementById('root')!).render(
  <StrictMode>
    <App />
  </StrictMode>,
)
