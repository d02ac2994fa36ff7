using System.Collections;
using System.Collections.Concurrent;
using System.Reflection;

namespace Kostel.Server.Http;

/// <summary>Refuses what a request's body holds and the types alone let through: lists with nothing in a place, more than a list may have.</summary>
internal static class SoundRequest
{
    private const int LongestList = 200_000;
    private static readonly ConcurrentDictionary<Type, PropertyInfo[]> Known = new();

    /// <summary>Looks through every part of a request before its endpoint gets it.</summary>
    public static ValueTask<object?> Check(EndpointFilterInvocationContext context, EndpointFilterDelegate next)
    {
        foreach (var argument in context.Arguments)
        {
            if (argument is not null && IsOurs(argument.GetType()))
            {
                Look(argument, "");
            }
        }

        return next(context);
    }

    private static void Look(object? value, string name)
    {
        switch (value)
        {
            case null or string:
                return;
            case IEnumerable list:
                var count = 0;
                foreach (var item in list)
                {
                    if (item is null || ++count > LongestList)
                    {
                        throw Unsound(item is null ? $"{name} has an empty place" : $"{name} is too long");
                    }

                    Look(item, name);
                }

                return;
            case not null when IsOurs(value.GetType()):
                foreach (var property in Known.GetOrAdd(value.GetType(), Properties))
                {
                    Look(property.GetValue(value), property.Name);
                }

                return;
            default:
                return;
        }
    }

    private static PropertyInfo[] Properties(Type type) =>
        type.GetProperties().Where(p => p.GetIndexParameters().Length == 0 && p.CanWrite && !p.PropertyType.IsPrimitive && p.PropertyType != typeof(string)).ToArray();

    /// <summary>Only what a body is read into: records of values. Services have no settable properties and are passed over by that.</summary>
    private static bool IsOurs(Type type) => type.Namespace?.StartsWith(nameof(Kostel), StringComparison.Ordinal) == true && type.GetMethod("<Clone>$") is not null;

    private static PlainProblemException Unsound(string what) => new(StatusCodes.Status400BadRequest, $"The request could not be read: {what}.");
}
