const path = require('node:path');
const { getDefaultConfig } = require('expo/metro-config');
const { withNativeWind } = require('nativewind/metro');

const config = getDefaultConfig(__dirname);

/**
 * The validation library brings its messages in forty languages along; ours are its English ones, and the others would
 * be a third of every bundle.
 */
config.resolver.resolveRequest = (context, name, platform) => {
  const inZod = /[\\/]zod[\\/]v4[\\/]/.test(context.originModulePath);
  return inZod && /locales[\\/]index\.js$/.test(name)
    ? { type: 'sourceFile', filePath: path.resolve(__dirname, 'zodEnglish.js') }
    : context.resolveRequest(context, name, platform);
};

module.exports = withNativeWind(config, { input: './global.css' });
