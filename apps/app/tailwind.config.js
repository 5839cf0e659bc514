const FONTS = require('./src/ui/fonts.json');

const colour = (name) => `rgb(var(--${name}) / <alpha-value>)`;

/** @type {import('tailwindcss').Config} */
module.exports = {
  content: ['./app/**/*.tsx', './src/**/*.tsx'],
  presets: [require('nativewind/preset')],
  theme: {
    extend: {
      colors: Object.fromEntries(
        [
          'bone',
          'plate',
          'ink',
          'soft',
          'edge',
          'rim',
          'line',
          'accent',
          'wash',
          'pass',
          'fail',
          'failwash',
          'wait',
        ].map((name) => [name, colour(name)]),
      ),
      fontFamily: {
        word: FONTS.words,
        wordsemi: FONTS.semi,
        wordbold: FONTS.bold,
        figure: FONTS.figures,
        figurebold: FONTS.boldFigures,
      },
      borderWidth: { fine: '1.5px' },
      borderRadius: { plate: '11px' },
    },
  },
};
