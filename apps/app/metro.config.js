const path = require('node:path');
const { getDefaultConfig } = require('expo/metro-config');
const { withNativeWind } = require('nativewind/metro');

const config = getDefaultConfig(__dirname);

/** What stands in the app for parts of the validation library that it does not use. */
const IN_ZOD = [
  // Its messages in forty languages, of which the others would be a third of every bundle; and that it makes no code.
  [/locales[\\/]index\.js$/, 'zodInBrowser.js'],
  [/[\\/](?:compile|from-json-schema|json-schema-processors)\.js$/, 'zodUnused.js'],
];

// The integer programming solver comes as WebAssembly, which is fetched as a file.
config.resolver.assetExts.push('wasm');

config.resolver.resolveRequest = (context, name, platform) => {
  // The solver asks for these only where it runs in Node.
  if (name.startsWith('node:')) return { type: 'empty' };
  // Its build for modules finds its file by import.meta, which is not there in a bundle.
  if (name === 'highs') return { type: 'sourceFile', filePath: require.resolve('highs') };
  const inZod = /[\\/]zod[\\/]v4[\\/]/.test(context.originModulePath);
  const instead = inZod && IN_ZOD.find(([unused]) => unused.test(name));
  return instead
    ? { type: 'sourceFile', filePath: path.resolve(__dirname, instead[1]) }
    : context.resolveRequest(context, name, platform);
};

// A module is run when something of it is first used, not when the page begins.
config.transformer.getTransformOptions = async () => ({ transform: { inlineRequires: true } });

module.exports = withNativeWind(config, { input: './global.css' });
