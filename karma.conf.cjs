module.exports = (config) =>
  config.set({
    frameworks: ['jasmine'],
    plugins: [require('karma-jasmine'), require('karma-chrome-launcher')],
    client: { jasmine: { failSpecWithNoExpectations: true } },
    reporters: ['dots'],
    colors: false,
    browsers: ['DebianChromium'],
    customLaunchers: {
      DebianChromium: {
        base: 'ChromeHeadless',
        flags: [
          '--no-sandbox',
          '--disable-gpu',
          '--disable-dev-shm-usage',
          '--disable-background-networking',
          '--disable-component-update',
        ],
      },
    },
    restartOnFileChange: false,
  });
