// The built application with the invented lab. YENTRIK_DATA keeps it elsewhere; remove the file to begin afresh.
process.env.YENTRIK_DEMO ??= '1'
process.env.YENTRIK_DATA ??= 'data/demo.sqlite'
// A lab in the middle of a morning, whatever the hour.
process.env.YENTRIK_DEMO_CLOCK ??= '10:40'
// A year of work behind it, for Quality.
process.env.YENTRIK_DEMO_YEAR ??= '1'
await import('../server/dist/main.js')
