module.exports = (config) =>
  config.set({
    frameworks: ['jasmine'],
    plugins: [require('karma-jasmine'), require('karma-chrome-launcher')],
    // Far more than any needs: what is shared with others stands still for seconds at times.
    client: { jasmine: { failSpecWithNoExpectations: true, timeoutInterval: 60_000 } },
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
