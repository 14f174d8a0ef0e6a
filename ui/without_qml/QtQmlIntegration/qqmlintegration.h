// Stands in for a header of Qt's QML that Qt's speech headers ask for and this program does not
// use: the marks that it makes for QML mean nothing here.
#pragma once

#define QML_ELEMENT
#define QML_NAMED_ELEMENT(NAME)
#define QML_ANONYMOUS
#define QML_SINGLETON
#define QML_UNCREATABLE(REASON)
#define QML_ADDED_IN_VERSION(MAJOR, MINOR)
#define QML_EXTRA_VERSION(MAJOR, MINOR)
