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
        word: ['AtkinsonHyperlegibleNext_400Regular'],
        wordsemi: ['AtkinsonHyperlegibleNext_600SemiBold'],
        wordbold: ['AtkinsonHyperlegibleNext_700Bold'],
        figure: ['AtkinsonHyperlegibleMono_500Medium'],
        figurebold: ['AtkinsonHyperlegibleMono_700Bold'],
      },
      borderWidth: { fine: '1.5px' },
      borderRadius: { plate: '11px' },
    },
  },
};
