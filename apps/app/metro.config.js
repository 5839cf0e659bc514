const path = require('node:path');
const { getDefaultConfig } = require('expo/metro-config');
const { withNativeWind } = require('nativewind/metro');

const config = getDefaultConfig(__dirname);

/** What stands in the app for parts of the validation library that it does not use. */
const IN_ZOD = [
  // Its messages in forty languages; ours are its English ones, and the others would be a third of every bundle.
  [/locales[\\/]index\.js$/, 'zodEnglish.js'],
  [/[\\/](?:compile|from-json-schema|json-schema-processors)\.js$/, 'zodUnused.js'],
];

config.resolver.resolveRequest = (context, name, platform) => {
  const inZod = /[\\/]zod[\\/]v4[\\/]/.test(context.originModulePath);
  const instead = inZod && IN_ZOD.find(([unused]) => unused.test(name));
  return instead
    ? { type: 'sourceFile', filePath: path.resolve(__dirname, instead[1]) }
    : context.resolveRequest(context, name, platform);
};

module.exports = withNativeWind(config, { input: './global.css' });
