// What a style sheet is to a test: nothing.
module.exports = {};
