import { openStage, problemsOf, settled } from '../e2e/harness.ts'
const [hash, file, size='1280x800', ...flags]=process.argv.slice(2)
const [width,height]=size.split('x').map(Number)
const stage=await openStage()
try{const page=await stage.open(hash!,{search:'?today=2025-11-08',zone:'UTC',width:width!,height:height!,dark:flags.includes('dark')})
await settled(page); await new Promise(r=>setTimeout(r,2500)); await settled(page)
await page.screenshot({path:file as any, fullPage:flags.includes('full')}); console.log(problemsOf(page).join('\n'))
}finally{await stage.close();process.exit(0)}
